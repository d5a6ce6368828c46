import { Dialog, Portal } from "@chakra-ui/react";
import type { ReactNode } from "react";

type Props = {
	label: string;
	/** A class for what is in it. */
	kind?: string;
	onClose: () => void;
	children: ReactNode;
};

/** A sheet over the page: the keyboard stays in it, Esc closes it, and the focus then goes back where it was. */
export function Sheet({ label, kind = "", onClose, children }: Props) {
	return (
		// a click beside it closes nothing: what was typed or recorded would be gone
		<Dialog.Root open unstyled closeOnInteractOutside={false} onOpenChange={({ open }) => open || onClose()}>
			<Portal>
				<Dialog.Backdrop className="sheet-backdrop" />
				<Dialog.Positioner className="sheet-place">
					<Dialog.Content className={`sheet ${kind}`} aria-label={label}>
						{children}
					</Dialog.Content>
				</Dialog.Positioner>
			</Portal>
		</Dialog.Root>
	);
}
