import { useEffect, useState } from "react";
import { Link } from "react-router";
import { sentence } from "../../shared/api/client";
import { type ShelfThing, thumbnailOf, useChangeThing, useReplace } from "../../shared/shelf/useShelf";
import { megabytes } from "../../shared/time";
import { Choice, PlainButton, Tick } from "../../shared/ui/controls";
import { describedThing } from "./finding";
import { Keying } from "./Keying";
import { RightsFields } from "./RightsFields";

type Props = { thing: ShelfThing; others: readonly ShelfThing[]; onPutAway: () => void };

/** One thing, and what depends on it. */
export function ThingPage({ thing, others, onPutAway }: Props) {
	const change = useChangeThing();
	const [title, setTitle] = useState(thing.title);
	const [author, setAuthor] = useState(thing.author);
	useEffect(() => {
		setTitle(thing.title);
		setAuthor(thing.author);
	}, [thing.title, thing.author]);
	const { item } = thing;
	return (
		<section className="thing-page" aria-label={thing.title}>
			<p className="small quiet num">
				No. {thing.number}, {describedThing(thing)}
			</p>
			<input
				className="thing-title"
				aria-label="Title"
				value={title}
				maxLength={120}
				disabled={!thing.mine}
				onChange={(event) => setTitle(event.target.value)}
				onBlur={() => title.trim() && title !== thing.title && change.mutate({ item, title })}
			/>
			<ThingShown thing={thing} />
			<dl className="facts">
				{thing.mine && (
					<>
						<dt>Rights</dt>
						<dd>
							<RightsFields
								licence={thing.licence}
								author={author}
								onLicence={(licence) => change.mutate({ item, licence })}
								onAuthor={setAuthor}
								onDone={() => author !== thing.author && change.mutate({ item, author })}
							/>
							{thing.problem && <p className="problem small">{said(thing.problem)}: no film with it is rendered.</p>}
						</dd>
					</>
				)}
				{thing.light && (
					<>
						<dt>Light</dt>
						<dd>{thing.light}</dd>
					</>
				)}
				<dt>File</dt>
				<dd className="num">
					{thing.file}, takes {megabytes(thing.bytes)} here
					{thing.notes.map((note) => (
						<span key={note} className="warning-text">
							{" "}
							{note}
						</span>
					))}
				</dd>
				<dt>Used in</dt>
				<dd>
					{thing.used_in.length === 0 && <span className="quiet">no production yet</span>}
					{thing.used_in.map(({ id, title: name }) => (
						<Link key={id} className="used" to={`/productions/${id}`}>
							{name}
						</Link>
					))}
				</dd>
			</dl>
			{thing.kind !== "sound" && !thing.transparent && <Keying key={item} thing={thing} />}
			{thing.mine && (
				<>
					<Tick
						label="The others of this desk may use it too"
						checked={thing.shared}
						onChange={(shared) => change.mutate({ item, shared })}
					/>
					{change.isError && (
						<p role="alert" className="problem small">
							{sentence(change.error)}
						</p>
					)}
					{thing.used_in.length > 0 ? (
						<Replacing thing={thing} others={others} />
					) : (
						<PlainButton small onClick={onPutAway}>
							Put it away
						</PlainButton>
					)}
				</>
			)}
		</section>
	);
}

function said(problem: string): string {
	return problem.charAt(0).toUpperCase() + problem.slice(1);
}

function ThingShown({ thing }: { thing: ShelfThing }) {
	const files = `/files/shelf/${thing.item}`;
	if (thing.kind === "clip") {
		// biome-ignore lint/a11y/useMediaCaption: what is said in a clip is not known
		return <video className="thing-shown" controls preload="metadata" src={`${files}/film.mp4`} />;
	}
	if (thing.kind === "sound") {
		return (
			<>
				<img className="thing-shown" src={thumbnailOf(thing.item)} alt="" />
				{/* biome-ignore lint/a11y/useMediaCaption: what is said in a sound is not known */}
				<audio className="thing-sound" controls preload="none" src={`${files}/sound.flac`} />
			</>
		);
	}
	return <img className="thing-shown" src={`${files}/picture`} alt={thing.title} />;
}

function Replacing({ thing, others }: { thing: ShelfThing; others: readonly ShelfThing[] }) {
	const replace = useReplace();
	const [other, setOther] = useState("");
	const fitting = others.filter(
		(one) => one.mine && one.item !== thing.item && (one.kind === "sound") === (thing.kind === "sound"),
	);
	return (
		<div className="replacing">
			<p className="small quiet">It cannot be put away while it is used.</p>
			{fitting.length > 0 && (
				<div className="replacing-choice">
					<Choice
						label="In its place everywhere"
						value={other}
						options={[
							{ value: "", text: "nothing else" },
							...fitting.map((one) => ({ value: one.item, text: `${one.number}, ${one.title}` })),
						]}
						onChange={setOther}
					/>
					<PlainButton
						small
						disabled={!other || replace.isPending}
						onClick={() => replace.mutate({ item: thing.item, other })}
					>
						Put it there
					</PlainButton>
				</div>
			)}
			<div role="status" className="small">
				{replace.isSuccess &&
					"Done. Each production has it as a step of its history. Films made before stay as they are."}
				{replace.isError && <span className="problem">{sentence(replace.error)}</span>}
			</div>
		</div>
	);
}
