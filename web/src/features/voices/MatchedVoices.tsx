import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useEffect, useRef, useState } from "react";
import { Link } from "react-router";
import { api, ask, type Schemas, sendFile, sentence } from "../../shared/api/client";
import { PlainButton } from "../../shared/ui/controls";
import { Sheet } from "../../shared/ui/Sheet";
import { type Matched, useMatchedVoices } from "../../shared/voices/useVoices";

/** The voices matched to people, with their consents. */
export function MatchedVoices() {
	const matched = useMatchedVoices();
	const [leaving, setLeaving] = useState<Matched | null>(null);
	return (
		<section className="matched" aria-label="Matched voices">
			<h2 className="panel-title">Matched to people</h2>
			<ul>
				{matched.data?.map((voice) => (
					<li key={voice.id} className={voice.problem ? "over" : ""}>
						<b className="serif">{voice.name}</b>
						<span className="small quiet">
							{voice.problem || `for ${voice.purpose}${voice.until ? `, until ${voice.until}` : ""}`}
							{!voice.problem && `; ${Math.round(voice.closed * 100)} % of the way to the person`}
						</span>
						<span className="matched-ways">
							<a className="link small" href={`/api/voices/matched/${voice.id}/consent.txt`}>
								Consent
							</a>
							{!voice.problem && (
								<a className="link small" href={`/api/voices/matched/${voice.id}/voice.dhvoice`}>
									File
								</a>
							)}
							{!voice.withdrawn_on && (
								<button type="button" className="link small" onClick={() => setLeaving(voice)}>
									Withdraw
								</button>
							)}
						</span>
					</li>
				))}
			</ul>
			<p className="matched-begin">
				<Link className="button-link" to="/voices/match">
					Match a voice
				</Link>
				<ImportVoice />
			</p>
			{leaving && <WithdrawSheet voice={leaving} onClose={() => setLeaving(null)} />}
		</section>
	);
}

/** A voice from another machine, with its consent. */
function ImportVoice() {
	const queries = useQueryClient();
	const files = useRef<HTMLInputElement>(null);
	const take = useMutation({
		mutationFn: (file: File) => sendFile<Matched>("/api/voices/matched/import", file, file.name),
		onSuccess: () => queries.invalidateQueries(),
	});
	return (
		<>
			<PlainButton disabled={take.isPending} onClick={() => files.current?.click()}>
				{take.isPending ? "Taking it in…" : "Open a voice file"}
			</PlainButton>
			<input
				ref={files}
				type="file"
				hidden
				accept=".dhvoice"
				aria-label="A voice file"
				onChange={(event) => {
					const file = event.target.files?.[0];
					if (file) take.mutate(file);
					event.target.value = "";
				}}
			/>
			{take.isSuccess && <span className="small quiet">{take.data.name} is here.</span>}
			{take.isError && (
				<span role="alert" className="problem small">
					{sentence(take.error)}
				</span>
			)}
		</>
	);
}

function WithdrawSheet({ voice, onClose }: { voice: Matched; onClose: () => void }) {
	const queries = useQueryClient();
	const [uses, setUses] = useState<Schemas["SpeaksIn"][] | null>(null);
	const [problem, setProblem] = useState("");
	useEffect(() => {
		ask(api.GET("/api/productions/using/{voice_id}", { params: { path: { voice_id: voice.id } } })).then(
			setUses,
			(error) => setProblem(sentence(error)),
		);
	}, [voice.id]);
	const withdraw = async (remove: boolean) => {
		try {
			const params = { path: { voice_id: voice.id } };
			await ask(api.POST("/api/voices/matched/{voice_id}/withdraw", { params, body: { remove } }));
			await queries.invalidateQueries();
			onClose();
		} catch (error) {
			setProblem(sentence(error));
		}
	};
	return (
		<Sheet label={`Withdraw the consent of ${voice.person}`} onClose={onClose}>
			<h2 className="panel-title">Withdraw the consent of {voice.person}</h2>
			<p>The voice speaks nowhere any more, at once. Films that were delivered stay as they are.</p>
			{uses?.length === 0 && <p>No production uses it.</p>}
			{uses && uses.length > 0 && (
				<>
					<p>It speaks in:</p>
					<ul className="used-in">
						{uses.map((use) => (
							<li key={use.id}>
								<a className="link" href={`/productions/${use.id}`}>
									{use.title}
								</a>{" "}
								<span className="quiet">{use.speakers.join(", ")}</span>
							</li>
						))}
					</ul>
					<p className="quiet small">Their lines stay silent until you choose another voice.</p>
				</>
			)}
			{problem && (
				<p role="alert" className="problem small">
					{problem}
				</p>
			)}
			<div className="change-buttons">
				<PlainButton onClick={() => withdraw(false)}>Withdraw it</PlainButton>
				<PlainButton onClick={() => withdraw(true)}>Withdraw, and remove sample and voice</PlainButton>
				<PlainButton onClick={onClose}>Leave it</PlainButton>
			</div>
		</Sheet>
	);
}
