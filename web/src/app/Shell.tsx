import { Outlet } from "react-router";
import { SignIn } from "../features/session";
import { FilmsDone } from "../shared/deliveries/FilmsDone";
import { useSession } from "../shared/session/useSession";

/** Everything behind the sign-in; each page draws its own running head. */
export function Shell() {
	const session = useSession();
	if (session.isPending) return <p className="waiting">Opening…</p>;
	if (session.isError) {
		return (
			<p className="waiting" role="alert">
				Dear Host does not answer. Is it still running? Start it with “make demo”, then load this page again.
			</p>
		);
	}
	if (!session.data.signed_in) return <SignIn />;
	return (
		<>
			<Outlet />
			<FilmsDone />
		</>
	);
}
