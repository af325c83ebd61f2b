import { Menu, Portal } from "@chakra-ui/react";
import { useRef, type ReactElement, type ReactNode } from "react";
import type { Element } from "../../../api/types";
import { changeElements } from "../../store/store";
import { t } from "../../../words/editor";

interface Props { element: Element; onType: (what: "name" | "words") => void; children: ReactElement }

/** What may be passed over when the slide is read out. */
const CAN_DECORATE = new Set<Element["kind"]>(["picture", "shape", "group", "meter"]);

/** What can be done with a row of the running order, on a right click or the menu key. */
export function RowMenu({ element, onType, children }: Props): ReactNode {
  const typing = useRef<"name" | "words" | null>(null);
  function toggle(what: "decoration" | "locked" | "hidden_while_editing", label: string): void {
    changeElements(label, [element.id], (e) => ({ ...e, [what]: !e[what] }));
  }
  return (
    <Menu.Root
      lazyMount unmountOnExit onExitComplete={() => {
        // Not before: a closing menu gives the focus back.
        if (typing.current) onType(typing.current);
        typing.current = null;
      }}
    >
      <Menu.ContextTrigger asChild>{children}</Menu.ContextTrigger>
      <Portal>
        <Menu.Positioner>
          <Menu.Content bg="sheet" borderRadius="card">
            <Menu.Item value="name" onClick={() => { typing.current = "name"; }}>{t("renameF2")}</Menu.Item>
            <Menu.Item value="words" onClick={() => { typing.current = "words"; }}>{t("editTextShiftEnter")}</Menu.Item>
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
        </Menu.Positioner>
      </Portal>
    </Menu.Root>
  );
}
