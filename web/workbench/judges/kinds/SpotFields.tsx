import { chakra, Text } from "@chakra-ui/react";
import type { ReactNode } from "react";
import type { QuestionOf, Slide } from "../../../api/types";
import { Check } from "../../../kit/Check";
import { Choose } from "../../../kit/Choose";
import { NumberField } from "../../../kit/NumberField";
import { Pair } from "../../../kit/Pair";
import type { KindProps } from "./props";
import { QuietButton } from "../../../kit/QuietButton";
import { changeRole } from "../making";
import { PartRows } from "../PartRows";
import { changeQuestion, partWords } from "../parts";
import { PartFeedback } from "./PartFeedback";
import { PartPoints } from "./PartPoints";
import { lines, fromLines } from "../words";
import { t } from "../../../words/judges";

/** The places of a picture that can be clicked: which are right, and how many clicks there are. */
export function SpotFields({ slide, question }: KindProps<QuestionOf<"hotspot">>): ReactNode {
  const change = (id: string, part: Partial<QuestionOf<"hotspot">["spots"][number]>): void => {
    const spots = question.spots.map((spot) => (spot.id === id ? { ...spot, ...part } : spot));
    const right = spots.filter((spot) => spot.right).length;
    // There are never fewer clicks than places to find.
    const clicks = question.clicks && Math.max(question.clicks, Math.min(question.needed || right, right));
    changeQuestion(question, { spots, clicks });
  };
  const pictures = slide.elements.filter(({ kind }) => kind === "picture" || kind === "video");
  return (
    <>
      <PartRows
        slide={slide} question={question} list="spots" word={t("hotspot")}
        before={(part, words) => (
          <input
            type="checkbox" checked={question.spots.find(({ id }) => id === part.id)?.right ?? false} aria-label={t("wordsIsCorrect", { words })} title={t("correct")}
            style={{ accentColor: "#1e5b4b", width: 16, height: 16, flex: "none" }} onChange={(event) => change(part.id, { right: event.target.checked })}
          />
        )}
        isSet={(part) => Boolean(question.spots.find(({ id }) => id === part.id)?.says.blocks.length)}
        more={(part, words) => {
          const spot = question.spots.find(({ id }) => id === part.id);
          return spot && (
            <>
              <PartFeedback value={lines(spot.says)} label={t("feedbackForWords", { words })} onChange={(text) => change(part.id, { says: fromLines(text) })} />
              <PartPoints question={question} words={words} value={spot.points} onChange={(points) => change(part.id, { points })} />
              <SamePlace slide={slide} question={question} spot={spot} />
            </>
          );
        }}
      />
      <Choose
        label={t("clicksCountOn")} help={t("helpClicksOn")} value={question.on ?? ""} options={[["", t("theWholeSlide")], ...pictures.map((e) => [e.id, e.name] as const)]}
        onChange={(on) => changeQuestion(question, { on: on || null })}
      />
      <Pair>
        <NumberField label={t("clicksAllowed")} help={t("helpClicksAllowed")} value={question.clicks ?? 0} min={0} max={100} onChange={(clicks) => changeQuestion(question, { clicks: clicks ? Math.round(clicks) : null })} />
        <NumberField label={t("hotspotsNeeded")} help={t("helpSpotsNeeded")} value={question.needed ?? 0} min={0} max={60} onChange={(needed) => changeQuestion(question, { needed: needed ? Math.round(needed) : null })} />
      </Pair>
      <Check label={t("markAFoundHotspotAt")} help={t("helpMarkAFoundHotspot")} value={question.found_at_once} onChange={(found_at_once) => changeQuestion(question, { found_at_once })} />
      <Check label={t("clicksCannotBeTakenBack")} help={t("helpClicksFinal")} value={question.clicks_spent} onChange={(clicks_spent) => changeQuestion(question, { clicks_spent })} />
      {question.clicks_spent && !question.clicks && <Text fontSize="12px" color="marigold.ink">{t("withoutALimitOfClicks")}</Text>}
      <Text fontSize="12px" color="quiet">{t("n0ClicksNoLimit0")}</Text>
    </>
  );
}

type Place = QuestionOf<"hotspot">["spots"][number];

/** The areas that are one place: the same difference in two pictures is found in either. */
function SamePlace({ slide, question, spot }: { slide: Slide; question: QuestionOf<"hotspot">; spot: Place }): ReactNode {
  const others = question.spots.filter(({ id }) => id !== spot.id);
  const name = (element: string): string => partWords(slide, { id: element, element });
  if (spot.also.length) {
    return (
      <QuietButton
        size="xs" title={t("alsoNames", { names: spot.also.map(name).join(", ") })}
        onClick={() => void changeRole(question, "own_places", spot.element)}
      >
        {t("alsoAreasPartThem", { also: spot.also.length + 1 })}
      </QuietButton>
    );
  }
  if (!others.length) return null;
  return (
    <chakra.select
      aria-label={t("nameIsTheSameHotspot", { name: name(spot.element) })} value="" fontSize="12px" maxW="130px" bg="sheet" borderWidth="1px" borderRadius="6px"
      onChange={(event) => void changeRole(question, "one_place", spot.element, event.target.value)}
    >
      <option value="" disabled>{t("sameHotspotAs")}</option>
      {others.map((one) => <option key={one.id} value={one.element}>{name(one.element)}</option>)}
    </chakra.select>
  );
}
