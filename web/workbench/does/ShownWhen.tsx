import { Box } from "@chakra-ui/react";
import type { ReactNode } from "react";
import type { Element, Slide } from "../../api/types";
import { Choose } from "../../kit/Choose";
import { changeElements } from "../store/store";
import { ConditionEditor } from "./ConditionEditor";
import { useThings } from "./things";
import { t } from "../../words/does";

const WAYS = [["always", t("always")], ["hidden", t("hiddenAtFirst")], ["condition", t("onlyWhen")]] as const;
type Way = (typeof WAYS)[number][0];

/** When an element is there before any rule has shown or hidden it. */
export function shownWay({ shown }: Element): Way {
  return shown === false ? "hidden" : shown === true || shown === undefined ? "always" : "condition";
}

/** Whether an element is there from the start, only once a rule shows it, or while a condition holds. */
export function ShownWhen({ element, slide }: { element: Element; slide: Slide }): ReactNode {
  const things = useThings(slide);
  const way = shownWay(element);
  const put = (shown: unknown): void => changeElements(t("shown"), [element.id], (e) => ({ ...e, shown }) as Element, `shown-${element.id}`);
  const others = slide.elements.filter(({ id }) => id !== element.id);
  const other = others.find(({ kind }) => kind === "button") ?? others[0];
  const first = other ? ["clicked", other.id] : [">=", ["live", "slides_seen"], 1];
  return (
    <Box mb="1.5">
      <Choose
        label={t("shown")} value={way} options={WAYS} help={t("whetherItIsThereBefore")}
        onChange={(next) => put(next === "hidden" ? false : next === "always" ? true : first)}
      />
      {way === "condition" && (
        <Box lineHeight="2" fontSize="13px">
          <ConditionEditor condition={element.shown} things={things} lead={t("when2")} onChange={(condition) => put(condition)} />
        </Box>
      )}
    </Box>
  );
}
