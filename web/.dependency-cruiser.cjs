/** What may import what: app > features > shared; in the prompt book panels > document. */
const PANELS = "(?:script|stage|ribbon|brief|voice|host|set|titles|sound|deliver)";

module.exports = {
	forbidden: [
		{ name: "no-circles", severity: "error", from: {}, to: { circular: true } },
		{
			name: "shared-knows-no-feature",
			severity: "error",
			from: { path: "^src/shared/" },
			to: { path: "^src/(?:features|app)/" },
		},
		{
			name: "features-know-no-app",
			severity: "error",
			from: { path: "^src/features/" },
			to: { path: "^src/app/" },
		},
		{
			name: "features-know-no-features",
			severity: "error",
			from: { path: "^src/features/([^/]+)/" },
			to: { path: "^src/features/", pathNot: "^src/features/$1/" },
		},
		{
			name: "features-through-their-index",
			severity: "error",
			from: { path: "^src/app/" },
			to: { path: "^src/features/[^/]+/", pathNot: "^src/features/[^/]+/index\\.ts$" },
		},
		{
			name: "panels-know-no-panels",
			severity: "error",
			from: { path: `^src/features/promptbook/(${PANELS})/` },
			to: { path: `^src/features/promptbook/${PANELS}/`, pathNot: "^src/features/promptbook/$1/" },
		},
		{
			name: "document-knows-no-panel",
			severity: "error",
			from: { path: "^src/features/promptbook/(?:document|playing)/" },
			to: { path: `^src/features/promptbook/(?:${PANELS}|[^/]+$)` },
		},
	],
	options: { tsPreCompilationDeps: true, tsConfig: { fileName: "tsconfig.json" }, doNotFollow: { path: "node_modules" } },
};
