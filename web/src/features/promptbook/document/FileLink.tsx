import { createContext, type ReactNode, useContext } from "react";
import { saveFile } from "../../../shared/api/saveFile";

/** Waits until everything written is kept; whether it is. */
export const SettledContext = createContext<() => Promise<boolean>>(async () => true);

type Props = { address: string; className?: string; children: ReactNode };

/** A link to a file the server makes of the production: what was written last is kept first, so that it is in it. */
export function FileLink({ address, className = "text-button", children }: Props) {
	const settled = useContext(SettledContext);
	return (
		<a
			className={className}
			href={address}
			download
			onClick={async (event) => {
				event.preventDefault();
				if (await settled()) saveFile(address);
			}}
		>
			{children}
		</a>
	);
}
