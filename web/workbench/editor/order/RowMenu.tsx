import { Box, Menu, Portal } from "@chakra-ui/react";
import { useRef, useState, type MouseEvent, type ReactNode } from "react";
import type { Element } from "../../../api/types";
import { changeElements, currentSlide } from "../../store/store";
import { typeInRow, type Typed } from "./typing";
import { t } from "../../../words/editor";

/** What may be passed over when the slide is read out. */
const CAN_DECORATE = new Set<Element["kind"]>(["picture", "shape", "group", "meter"]);

/** How rows look, said once for all of them: what is selected changes no more than an attribute of its row. */
const ROWS = {
  "& li": { borderLeftWidth: "3px", borderLeftColor: "transparent" },
  "& li[data-chosen]": { bg: "marigold.soft", borderLeftColor: "marigold" },
  "& [data-row]": { display: "flex", w: "100%", px: "3", py: "1.5", gap: "2.5", textAlign: "left", alignItems: "flex-start" },
  "& [data-row][aria-pressed=false]:hover": { bg: "table" },
};

/** One menu for all rows within: what can be done with the one that is clicked with the right button, or has the menu key. */
export function RowMenu({ children }: { children: ReactNode }): ReactNode {
  const [element, setElement] = useState<Element | null>(null);
  const typing = useRef<Typed | null>(null);

  /** What is clicked beside the rows, or is being typed into, keeps the browser's menu. */
  function aim(event: MouseEvent): void {
    const row = event.target instanceof globalThis.Element ? event.target.closest<HTMLElement>("[data-row]")?.dataset.row : undefined;
    const found = currentSlide()?.elements.find(({ id }) => id === row) ?? null;
    setElement(found);
    if (!found) event.stopPropagation();
  }

  return (
    <Menu.Root
      lazyMount unmountOnExit onExitComplete={() => {
        // Not before: a closing menu gives the focus back.
        if (typing.current && element) typeInRow(element.id, typing.current);
        typing.current = null;
      }}
    >
      <Menu.ContextTrigger asChild><Box css={ROWS} onContextMenuCapture={aim}>{children}</Box></Menu.ContextTrigger>
      <Portal>
        <Menu.Positioner>
          {element && <Entries element={element} onType={(what) => { typing.current = what; }} />}
        </Menu.Positioner>
      </Portal>
    </Menu.Root>
  );
}

function Entries({ element, onType }: { element: Element; onType: (what: Typed) => void }): ReactNode {
  function toggle(what: "decoration" | "locked" | "hidden_while_editing", label: string): void {
    changeElements(label, [element.id], (e) => ({ ...e, [what]: !e[what] }));
  }
  return (
    <Menu.Content bg="sheet" borderRadius="card">
      <Menu.Item value="name" onClick={() => onType("name")}>{t("renameF2")}</Menu.Item>
      <Menu.Item value="words" onClick={() => onType("words")}>{t("editTextShiftEnter")}</Menu.Item>
      {CAN_DECORATE.has(element.kind) && (
        <Menu.Item value="decoration" onClick={() => toggle("decoration", t("decoration"))}>
          {element.decoration ? t("readItOut") : t("markAsDecorativeNotRead")}
        </Menu.Item>
      )}
      <Menu.Item value="lock" onClick={() => toggle("locked", t("lock"))}>{element.locked ? t("unlock") : t("lock")}</Menu.Item>
      <Menu.Item value="hide" onClick={() => toggle("hidden_while_editing", t("hide"))}>
        {element.hidden_while_editing ? t("showAgain") : t("hideWhileEditing")}
      </Menu.Item>
    </Menu.Content>
  );
}
