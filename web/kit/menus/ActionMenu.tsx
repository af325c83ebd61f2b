import { Box, Menu, Portal } from "@chakra-ui/react";
import type { ReactElement, ReactNode } from "react";

/** Something that can be done from a menu. */
export interface MenuEntry {
  key: string;
  words: ReactNode;
  icon?: ReactNode;
  /** Whether something goes by it. */
  removes?: boolean;
  run: () => void;
}

export interface MenuProps {
  /** What opens it. */
  button: ReactElement;
  /** Stands above the entries. */
  heading?: string;
  entries: readonly MenuEntry[];
  /** After it has closed and given the focus back to its button. */
  onClosed?: () => void;
}

/** A menu that is open when it comes. */
export default function ActionMenu({ button, heading, entries, onClosed }: MenuProps): ReactNode {
  return (
    <Menu.Root defaultOpen lazyMount unmountOnExit {...(onClosed ? { onExitComplete: onClosed } : {})}>
      <Menu.Trigger asChild>{button}</Menu.Trigger>
      <Portal>
        <Menu.Positioner>
          <Menu.Content bg="sheet" borderRadius="card">
            {heading && <Box px="2" py="1" color="quiet" fontSize="13px">{heading}</Box>}
            {entries.map(({ key, words, icon, removes, run }) => (
              <Menu.Item key={key} value={key} onClick={run} {...(removes ? { color: "brick" } : {})}>{icon}{" "}{words}</Menu.Item>
            ))}
          </Menu.Content>
        </Menu.Positioner>
      </Portal>
    </Menu.Root>
  );
}
