import { Menu, Portal } from "@chakra-ui/react";
import { useRef, type ReactElement, type ReactNode } from "react";
import { deleteSlides, duplicateSlide, moveSlide } from "../../store/slides";
import { useCourse } from "../../store/store";
import { t } from "../../../words/editor";

/** What can be done with a slide, on a right click or the menu key. */
export function SlideMenu(
  { id, onRename, children }: { id: string; onRename: () => void; children: ReactElement },
): ReactNode {
  const renames = useRef(false);
  function shift(step: number): void {
    const { slides } = useCourse.getState().course;
    const to = slides.indexOf(id) + step;
    if (to >= 0 && to < slides.length) moveSlide(id, to);
  }
  return (
    <Menu.Root
      lazyMount unmountOnExit onExitComplete={() => {
        // Not before: a closing menu gives the focus back.
        if (renames.current) onRename();
        renames.current = false;
      }}
    >
      <Menu.ContextTrigger asChild>{children}</Menu.ContextTrigger>
      <Portal>
        <Menu.Positioner>
          <Menu.Content bg="sheet" borderRadius="card">
            <Menu.Item value="rename" onClick={() => { renames.current = true; }}>{t("renameF2")}</Menu.Item>
            <Menu.Item value="copy" onClick={() => void duplicateSlide(id)}>{t("duplicateCtrlD")}</Menu.Item>
            <Menu.Item value="earlier" onClick={() => shift(-1)}>{t("moveEarlierShift")}</Menu.Item>
            <Menu.Item value="later" onClick={() => shift(1)}>{t("moveLaterShift")}</Menu.Item>
            <Menu.Item value="delete" color="brick" onClick={() => deleteSlides([id])}>
              {t("deleteDel")}
            </Menu.Item>
          </Menu.Content>
        </Menu.Positioner>
      </Portal>
    </Menu.Root>
  );
}
