import react from "@vitejs/plugin-react";
import { defineConfig } from "vitest/config";

const server = "http://127.0.0.1:8000";

export default defineConfig({
	plugins: [react()],
	base: "/",
	build: {
		target: "es2022",
		modulePreload: { polyfill: false },
		assetsInlineLimit: 0,
		chunkSizeWarningLimit: 900,
		rolldownOptions: {
			output: {
				codeSplitting: {
					groups: [
						{ name: "react", test: /node_modules[\\/](react|react-dom|scheduler|react-router)[\\/]/ },
						{ name: "chakra", test: /node_modules[\\/](@chakra-ui|@ark-ui|@zag-js|@emotion)[\\/]/ },
						{ name: "editor", test: /node_modules[\\/](@tiptap|prosemirror-)/ },
					],
				},
			},
		},
	},
	server: { proxy: { "/api": server, "/files": server, "/pictures": server, "/events": server } },
	test: { environment: "jsdom", globals: true, setupFiles: "./src/setupTests.ts" },
});
