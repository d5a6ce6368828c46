import { createSystem, defaultConfig, defineConfig, defineRecipe, defineSlotRecipe } from "@chakra-ui/react";

const button = defineRecipe({
	base: {
		borderRadius: "2px",
		fontWeight: 500,
		fontFamily: "body",
		_focusVisible: { outline: "2px solid", outlineColor: "tide", outlineOffset: "2px" },
	},
	variants: {
		variant: {
			solid: {
				bg: "tide",
				color: "white",
				_hover: { bg: "tideDeep" },
				_disabled: { bg: "page", color: "quiet", border: "1px dashed", borderColor: "edge", opacity: 1 },
			},
			outline: {
				bg: "page",
				color: "ink",
				border: "1px solid",
				borderColor: "edge",
				_hover: { borderColor: "tide", color: "tideDeep", bg: "page" },
				_disabled: { color: "quiet", borderStyle: "dashed", opacity: 1 },
			},
		},
		size: {
			md: { h: "32px", px: "12px", fontSize: "14px", minW: "0" },
			sm: { h: "32px", px: "12px", fontSize: "14px", minW: "0" },
			xs: { h: "26px", px: "9px", fontSize: "13px", minW: "0" },
		},
	},
});

const nativeSelect = defineSlotRecipe({
	slots: ["root", "field", "indicator"],
	base: {
		field: {
			borderRadius: "2px",
			bg: "white",
			borderColor: "edge",
			color: "ink",
			fontSize: "14px",
			_focusVisible: { outlineColor: "tide", borderColor: "tide" },
		},
		indicator: { color: "quiet" },
	},
	variants: { variant: { outline: { field: { bg: "white", borderColor: "edge" } } } },
});

export const system = createSystem(
	defaultConfig,
	defineConfig({
		cssVarsPrefix: "dh",
		globalCss: { "html, body": { bg: "paper", color: "ink", fontFamily: "body" } },
		theme: {
			tokens: {
				colors: {
					paper: { value: "#F6F0E3" },
					page: { value: "#FFFDF7" },
					rule: { value: "#DCD2BD" },
					edge: { value: "#8C7F66" },
					ink: { value: "#1D2B33" },
					quiet: { value: "#56646A" },
					tide: { value: "#14676B" },
					tideDeep: { value: "#0E4E52" },
					wash: { value: "#DCEBE8" },
					vermilion: { value: "#C9402A" },
				},
				fonts: {
					body: { value: "'Atkinson Hyperlegible Next Variable', Verdana, sans-serif" },
					heading: { value: "'Literata Variable', Georgia, serif" },
				},
			},
			recipes: { button },
			slotRecipes: { nativeSelect },
		},
	}),
);
