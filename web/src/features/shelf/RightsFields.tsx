import { useLicences } from "../../shared/shelf/useShelf";
import { Choice } from "../../shared/ui/controls";

type Props = {
	licence: string;
	author: string;
	onLicence: (licence: string) => void;
	onAuthor: (author: string) => void;
	onDone?: () => void;
};

/** Whose something is, and under which licence. */
export function RightsFields({ licence, author, onLicence, onAuthor, onDone }: Props) {
	const options = useLicences().map(({ id, words }) => ({ value: id, text: words }));
	return (
		<div className="rights">
			<Choice
				label="Licence"
				value={licence}
				options={[{ value: "", text: "not said yet" }, ...options]}
				onChange={onLicence}
			/>
			<label className="rights-author">
				<span className="label">Made by</span>
				<input value={author} maxLength={200} onChange={(event) => onAuthor(event.target.value)} onBlur={onDone} />
			</label>
		</div>
	);
}
