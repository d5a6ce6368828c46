import { type ShelfThing, thumbnailOf } from "../../shared/shelf/useShelf";
import { describedThing } from "./finding";

type Props = { things: readonly ShelfThing[]; chosen: string; onChoose: (item: string) => void };

/** The things as they were entered: number, what it is, whose, light, where it is used. */
export function Register({ things, chosen, onChoose }: Props) {
	return (
		<table className="register">
			<thead>
				<tr>
					<th scope="col">No.</th>
					<th scope="col" colSpan={2}>
						What it is
					</th>
					<th scope="col">Licence and credit</th>
					<th scope="col">Light</th>
					<th scope="col">Used in</th>
				</tr>
			</thead>
			<tbody>
				{things.map((thing) => (
					<tr key={thing.item} className={thing.item === chosen ? "on" : ""}>
						<td className="register-number num">{thing.number}</td>
						<td className="register-picture">
							<img src={thumbnailOf(thing.item)} alt="" width={84} height={47} loading="lazy" />
						</td>
						<td>
							<button
								type="button"
								className="register-title"
								aria-pressed={thing.item === chosen}
								onClick={() => onChoose(thing.item)}
							>
								{thing.title}
							</button>
							<span className="small quiet num">
								{describedThing(thing)}
								{!thing.mine && ", shared by somebody else"}
							</span>
						</td>
						<td className="small">
							{thing.problem ? (
								<span className="problem">{thing.problem}</span>
							) : (
								[thing.licence === "own" ? "our own" : thing.licence, thing.author].filter(Boolean).join(", ")
							)}
						</td>
						<td className="small quiet">{thing.light}</td>
						<td className="small">{usedIn(thing.used_in.length)}</td>
					</tr>
				))}
			</tbody>
		</table>
	);
}

function usedIn(count: number): string {
	if (!count) return "not yet";
	return count === 1 ? "1 film" : `${count} films`;
}
