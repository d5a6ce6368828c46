import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";
import { api, ask, sentence } from "../../shared/api/client";
import { type Own, usePlaying } from "../../shared/hosts/useHosts";
import { PlainButton } from "../../shared/ui/controls";
import { series } from "../../shared/words";

/** A host was saved: productions keep the version they have until somebody says otherwise. */
export function KeepVersions({ host }: { host: Own }) {
	const plays = usePlaying(host.id);
	const queries = useQueryClient();
	const [problem, setProblem] = useState("");
	const older = plays.data?.filter((production) => production.host !== host.id) ?? [];
	const bring = async () => {
		try {
			const body = { host: host.id, instead_of: "", productions: older.map((production) => production.id) };
			await ask(api.POST("/api/productions/recast", { body }));
			await queries.invalidateQueries();
		} catch (error) {
			setProblem(sentence(error));
		}
	};
	return (
		<div className="kept-versions" role="status">
			<p className="small">
				{host.name} is saved. {(host.notes ?? []).join(" ")}{" "}
				<Link className="link" to="/hosts">
					To the hosts
				</Link>
			</p>
			{older.length > 0 && (
				<>
					<p className="small">An earlier version plays in {series(older.map((production) => production.title))}.</p>
					<PlainButton small onClick={bring}>
						Bring this version there
					</PlainButton>
				</>
			)}
			{problem && (
				<p role="alert" className="problem small">
					{problem}
				</p>
			)}
		</div>
	);
}
