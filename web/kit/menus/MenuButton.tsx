import { cloneElement, useState, type KeyboardEvent, type ReactElement, type ReactNode } from "react";
import { useFetched } from "../useFetched";
import type { MenuProps } from "./ActionMenu";

const fetchMenu = (): Promise<typeof import("./ActionMenu")> => import("./ActionMenu");

/** A button with a menu. The menu is made when it is first opened: most never are, and a page has many. */
export function MenuButton(props: MenuProps): ReactNode {
  const [opened, setOpened] = useState(false);
  const ActionMenu = useFetched(fetchMenu, opened, () => setOpened(false));
  if (opened && ActionMenu) return <ActionMenu {...props} />;
  const fetchSoon = (): void => { fetchMenu().catch(() => undefined); };
  return cloneElement(props.button as ReactElement<Record<string, unknown>>, {
    "aria-haspopup": "menu", "aria-expanded": false, onPointerEnter: fetchSoon, onFocus: fetchSoon, onClick: () => setOpened(true),
    onKeyDown: (event: KeyboardEvent) => { if (event.key === "ArrowDown") setOpened(true); },
  });
}
