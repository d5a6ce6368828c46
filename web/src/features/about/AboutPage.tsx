import { useQuery } from "@tanstack/react-query";
import { api, ask, sentence } from "../../shared/api/client";
import { RunningHead } from "../../shared/ui/RunningHead";

/** What the application is built on: every part with its licence, whose text can be read. */
export function AboutPage() {
	const parts = useQuery({ queryKey: ["about"], queryFn: () => ask(api.GET("/api/about")) });
	return (
		<>
			<RunningHead />
			<main className="about-page">
				<h1 className="page-title">About Dear Host</h1>
				<p className="reading">
					Dear Host is free software under the GNU General Public License, version 3 or later. It is built on the work
					of many others. These are the models, dictionaries and libraries it ships with.
				</p>
				{parts.isError && (
					<p role="alert" className="problem">
						{sentence(parts.error)}
					</p>
				)}
				<ul className="about-parts">
					{parts.data?.map((part) => (
						<li key={part.package}>
							<b className="serif">{part.name}</b>
							<span className="small quiet num">{part.version}</span>
							<span>{part.does}</span>
							{part.has_text ? (
								<a className="link small" href={`/api/about/${part.package}.txt`} target="_blank" rel="noreferrer">
									{part.licence}
								</a>
							) : (
								<span className="small">{part.licence}</span>
							)}
						</li>
					))}
				</ul>
			</main>
		</>
	);
}
