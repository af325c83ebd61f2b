import { cloneElement, lazy, Suspense, useState, type KeyboardEvent, type ReactElement, type ReactNode } from "react";
import type { MenuProps } from "./ActionMenu";

const fetchMenu = (): Promise<typeof import("./ActionMenu")> => import("./ActionMenu");
const ActionMenu = lazy(fetchMenu);

/** A button with a menu. The menu is made when it is first opened: most never are, and a page has many. */
export function MenuButton(props: MenuProps): ReactNode {
  const [opened, setOpened] = useState(false);
  const fetchSoon = (): void => { fetchMenu().catch(() => undefined); };
  const button = cloneElement(props.button as ReactElement<Record<string, unknown>>, {
    "aria-haspopup": "menu", "aria-expanded": false, onPointerEnter: fetchSoon, onFocus: fetchSoon, onClick: () => setOpened(true),
    onKeyDown: (event: KeyboardEvent) => { if (event.key === "ArrowDown") setOpened(true); },
  });
  return opened ? <Suspense fallback={button}><ActionMenu {...props} /></Suspense> : button;
}
