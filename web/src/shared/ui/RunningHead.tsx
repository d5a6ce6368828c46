import type { ReactNode } from "react";
import { NavLink } from "react-router";

/** The head of every page: the mark, the rooms, and what the page adds at the right. */
export function RunningHead({ children }: { children?: ReactNode }) {
	return (
		<header className="head">
			<NavLink className="mark" to="/" aria-label="Dear Host, to the Desk">
				Dear Host,
			</NavLink>
			<nav aria-label="Rooms">
				<NavLink to="/" end>
					Desk
				</NavLink>
				<NavLink to="/hosts">Hosts</NavLink>
				<NavLink to="/voices">Voices</NavLink>
				<NavLink to="/shelf">Shelf</NavLink>
				<NavLink to="/deliveries">Deliveries</NavLink>
			</nav>
			{children}
		</header>
	);
}
