import { Menu, Portal } from "@chakra-ui/react";
import { type ReactNode, useRef } from "react";

export type MenuEntry = { words: string; onChoose: () => void };

/** What can be done with something, where the pointer is, on the right button or the key for menus. */
export function ContextMenu({ entries, children }: { entries: readonly MenuEntry[]; children: ReactNode }) {
	const chosen = useRef<MenuEntry | null>(null);
	// the menu gives the focus back as it goes: what is chosen may take it then
	const choose = () => {
		chosen.current?.onChoose();
		chosen.current = null;
	};
	return (
		<Menu.Root unstyled lazyMount unmountOnExit onExitComplete={() => setTimeout(choose)}>
			<Menu.ContextTrigger asChild>{children}</Menu.ContextTrigger>
			<Portal>
				<Menu.Positioner>
					<Menu.Content className="context-menu">
						{entries.map((entry) => (
							<Menu.Item
								key={entry.words}
								value={entry.words}
								onSelect={() => {
									chosen.current = entry;
								}}
							>
								{entry.words}
							</Menu.Item>
						))}
					</Menu.Content>
				</Menu.Positioner>
			</Portal>
		</Menu.Root>
	);
}
