import { Flex, Text } from "@chakra-ui/react";
import type { ReactNode } from "react";
import type { QuestionOf } from "../../../api/types";
import { Choose } from "../../../kit/Choose";
import { NumberField } from "../../../kit/NumberField";
import { Pair } from "../../../kit/Pair";
import type { KindProps } from "./props";
import { PartRows } from "../PartRows";
import { changeQuestion } from "../parts";
import { PartFeedback } from "./PartFeedback";
import { PartPoints } from "./PartPoints";
import { lines, fromLines } from "../words";

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
        slide={slide} question={question} list="spots" word="place"
        before={(part, words) => (
          <input
            type="checkbox" checked={question.spots.find(({ id }) => id === part.id)?.right ?? false} aria-label={`${words} is right`} title="right"
            style={{ accentColor: "#1e5b4b", width: 16, height: 16, flex: "none" }} onChange={(event) => change(part.id, { right: event.target.checked })}
          />
        )}
        after={(part, words) => {
          const spot = question.spots.find(({ id }) => id === part.id);
          return spot && (
            <Flex pl="6" gap="2" align="center">
              <PartFeedback value={lines(spot.says)} label={`Said when “${words}” is clicked`} onChange={(text) => change(part.id, { says: fromLines(text) })} />
              <PartPoints question={question} words={words} value={spot.points} onChange={(points) => change(part.id, { points })} />
            </Flex>
          );
        }}
      />
      <Choose
        label="clicks count on" value={question.on ?? ""} options={[["", "the whole slide"], ...pictures.map((e) => [e.id, e.name] as const)]}
        onChange={(on) => changeQuestion(question, { on: on || null })}
      />
      <Pair>
        <NumberField label="clicks" value={question.clicks ?? 0} min={0} max={100} onChange={(clicks) => changeQuestion(question, { clicks: clicks ? Math.round(clicks) : null })} />
        <NumberField label="needed" value={question.needed ?? 0} min={0} max={60} onChange={(needed) => changeQuestion(question, { needed: needed ? Math.round(needed) : null })} />
      </Pair>
      <Text fontSize="12px" color="quiet">0 clicks is as many as they like; 0 needed is all right places.</Text>
    </>
  );
}
