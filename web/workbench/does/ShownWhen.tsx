import { Box } from "@chakra-ui/react";
import type { ReactNode } from "react";
import type { Element, Overlay, Slide } from "../../api/types";
import { Choose } from "../../kit/Choose";
import { changeOverlay } from "../editor/stage/overlays";
import { elementsOf } from "../judges/parts";
import { changeElements } from "../store/store";
import { ConditionEditor } from "./ConditionEditor";
import { useThings } from "./things";
import { t } from "../../words/does";

type Way = "always" | "hidden" | "condition";
type Ways = readonly (readonly [Way, string])[];

const OF_ELEMENTS: Ways = [["always", t("always")], ["hidden", t("hiddenAtFirst")], ["condition", t("onlyWhen")]];
const OF_OVERLAYS: Ways = [["hidden", t("hiddenAtFirst")], ["always", t("fromTheStart")], ["condition", t("onlyWhen")]];

/** When something is there before any rule has shown or hidden it. */
export function shownWay({ shown }: { shown?: unknown }): Way {
  return shown === false ? "hidden" : shown === true || shown === undefined ? "always" : "condition";
}

/** Whether an element is there from the start, only once a rule shows it, or while a condition holds. */
export function ShownWhen({ element, slide }: { element: Element; slide: Slide }): ReactNode {
  const put = (shown: unknown): void => changeElements(t("shown"), [element.id], (e) => ({ ...e, shown }) as Element, `shown-${element.id}`);
  return <ShownField shown={element.shown} ways={OF_ELEMENTS} help={t("whetherItIsThereBefore")} slide={slide} without={element.id} onChange={put} />;
}

/** Whether an overlay is opened by rules only, is open from the start, or opens and closes by a condition. */
export function OverlayShownWhen({ overlay, slide }: { overlay: Overlay; slide: Slide }): ReactNode {
  const put = (shown: unknown): void => changeOverlay(slide, { ...overlay, shown } as Overlay);
  return <ShownField shown={overlay.shown} ways={OF_OVERLAYS} help={t("helpOverlayShown")} slide={slide} without={overlay.id} onChange={put} />;
}

/** The condition that is most likely meant: the question beside it is right, a button was clicked. */
function likeliest({ questions }: Slide, others: readonly Element[], without: string): unknown {
  const judged = questions.filter(({ purpose }) => purpose !== "survey");
  const [asked] = judged;
  if (asked && judged.length === 1 && !elementsOf(asked).includes(without)) return ["right", asked.id];
  const other = others.find(({ kind }) => kind === "button") ?? others[0];
  return other ? ["clicked", other.id] : [">=", ["live", "slides_seen"], 1];
}

interface Props {
  shown: unknown;
  ways: Ways;
  help: string;
  slide: Slide;
  /** What the condition does not begin with: it itself, and what is on it. */
  without: string;
  onChange: (shown: unknown) => void;
}

function ShownField({ shown, ways, help, slide, without, onChange }: Props): ReactNode {
  const things = useThings(slide);
  const way = shownWay({ shown });
  const others = slide.elements.filter(({ id, overlay }) => id !== without && overlay !== without);
  const first = likeliest(slide, others, without);
  return (
    <Box mb="1.5">
      <Choose
        label={t("shown")} value={way} options={ways} help={help}
        onChange={(next) => onChange(next === "hidden" ? false : next === "always" ? true : first)}
      />
      {way === "condition" && (
        <Box lineHeight="2" fontSize="13px">
          <ConditionEditor condition={shown} things={things} lead={t("when2")} onChange={onChange} />
        </Box>
      )}
    </Box>
  );
}
