/** The slides of a quiz that are in no set. */
import { Flex, Text } from "@chakra-ui/react";
import { useState, type ReactNode } from "react";
import type { Quiz } from "../../../api/types";
import { Card } from "../../../kit/Card";
import { t } from "../../../words/quiz";
import { useCourse } from "../../store/store";
import { QuietButton } from "../../../kit/QuietButton";
import { MoveTo } from "./MoveTo";
import { setOutcome } from "./quizzes";

/** These slides, a line each; selected ones can be moved to a set. */
export function Unset({ section, quiz, own, slides }: { section: string; quiz: Quiz; own: readonly string[]; slides: readonly string[] }): ReactNode {
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const titles = useCourse((state) => state.slides);
  if (!slides.length) return null;
  const inSets = new Set(quiz.sets.flatMap((set) => set.slides));
  const first = own.findIndex((slide) => inSets.has(slide));
  const here = slides.filter((slide) => chosen.has(slide));
  const one = here.length === 1 ? here[0] : undefined;
  return (
    <Card title={t("inNoSet")}>
      <Text color="quiet" fontSize="12.5px" mb="1.5">{t("inNoSetHelp")}</Text>
      {slides.map((slide) => {
        const title = titles[slide]?.title || t("untitled");
        return (
          <Flex as="label" key={slide} gap="2" align="center" py="0.5" fontSize="13px" data-unset={slide}>
            <input
              type="checkbox" checked={chosen.has(slide)} aria-label={t("select", { title })}
              onChange={(event) => setChosen(new Set(event.target.checked ? [...chosen, slide] : [...chosen].filter((one) => one !== slide)))}
            />
            <Text truncate flex="1">{title}</Text>
            {quiz.outcomes.includes(slide) && <Text color="marigold.ink">{t("outcome")}</Text>}
            <Text color="quiet">{first < 0 || own.indexOf(slide) < first ? t("beforeTheSets") : t("afterTheSets")}</Text>
          </Flex>
        );
      })}
      {here.length > 0 && (
        <Flex align="center" gap="2" pt="2" color="quiet" fontSize="13px">
          <Text>{t("chosen", { count: here.length })}</Text>
          <MoveTo section={section} quiz={quiz} slides={here} from={null} onMoved={() => setChosen(new Set())} />
          {one && !quiz.outcomes.includes(one) && (
            <QuietButton size="xs" onClick={() => { setOutcome(section, one, true); setChosen(new Set()); }}>{t("isAnOutcome")}</QuietButton>
          )}
        </Flex>
      )}
    </Card>
  );
}
