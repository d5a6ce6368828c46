import { Sheet } from "../../shared/ui/Sheet";

const KEYS: [string, [string, string][]][] = [
	[
		"Writing",
		[
			["Name:", "at the start of a line makes its speaker"],
			["Enter", "a new line"],
			["Ctrl+Enter", "a new scene from the caret on"],
			["Alt+U", "the line is a direction and stays unsaid, or is said again"],
			["Ctrl+F or H", "find, and put something else in its place"],
			["Tab in an open place", "the next one"],
			["Alt+Page Up, Page Down", "the drafts before, the drafts after"],
			["Enter, Delete in a rework", "take, leave the sentence; Up and Down go on"],
			["Ctrl+Z, Ctrl+Shift+Z", "undo, redo: words, cues and every choice"],
		],
	],
	[
		"Scenes",
		[
			["Alt+Shift+Up, Down", "move the scene; or drag it by its number"],
			["Alt+Shift+D", "duplicate the scene"],
			["Alt+Shift+Left, Right", "fold, unfold the scene"],
			["caret in the heading", "join, duplicate, move, delete"],
		],
	],
	[
		"Getting about",
		[
			["F6", "script, stage, tabs, ribbon"],
			["Alt+Shift+1 to 7", "the index tabs"],
			["Esc", "closes what hangs open"],
		],
	],
	[
		"Cues",
		[
			["Alt+Q", "what happens on the word at the caret; Alt+Enter tries it"],
			["Alt+E", "the selected words stand out"],
			["Alt+Y", "put the word on the say-as list: as it sounds, not as it is spelled"],
			["Left, Right on a flag", "the word before, the word after"],
			["Enter on a flag", "its settings"],
			["Delete on a flag", "take it off"],
		],
	],
	[
		"Playing",
		[
			["Alt+Enter", "play from the word at the caret, or stop; Space when not typing"],
			["Left, Right on the ribbon", "word by word; with Shift line by line"],
			["Home, End on the ribbon", "start and end of the scene"],
			["+, - on the ribbon", "nearer, further off; Ctrl with the wheel too"],
			["Alt+Shift+L", "over and over: the selected words, or the scene"],
			["Alt+Shift+F", "full screen; Esc leaves it"],
		],
	],
];

/** All keys of the prompt book on one sheet. */
export function KeySheet({ onClose }: { onClose: () => void }) {
	return (
		<Sheet label="Keys" kind="key-sheet" onClose={onClose}>
			<h2 className="panel-title">Keys</h2>
			<div className="key-groups">
				{KEYS.map(([group, keys]) => (
					<section key={group}>
						<h3 className="label">{group}</h3>
						<dl>
							{keys.map(([key, does]) => (
								<div key={key}>
									<dt>{key}</dt>
									<dd>{does}</dd>
								</div>
							))}
						</dl>
					</section>
				))}
			</div>
			<button type="button" className="cue-button filled" onClick={onClose}>
				Close
			</button>
		</Sheet>
	);
}
