/** How many of the questions that are drawn have a tag or a level. */
import { Box, Flex, Text } from "@chakra-ui/react";
import { X } from "lucide-react";
import type { ReactNode } from "react";
import type { QuestionSet } from "../../../api/types";
import { Choose } from "../../../kit/Choose";
import { NumberField } from "../../../kit/NumberField";
import { QuietButton } from "../../../kit/QuietButton";
import { Tool } from "../../../kit/Tool";
import { t } from "../../../words/quiz";
import { useCourse } from "../../store/store";
import { changeSet } from "./quizzes";

type Balance = QuestionSet["balances"][number];

const LEVELS = [["easy", t("easy")], ["medium", t("medium")], ["hard", t("hard")]] as const;
/** As many as the course document takes. */
const MOST = 4;

/** The balances of a set, a line each. */
export function Balances({ section, set, slides }: { section: string; set: QuestionSet; slides: readonly string[] }): ReactNode {
  const all = useCourse((state) => state.slides);
  const tags = [...new Set([
    ...slides.flatMap((slide) => all[slide]?.tags ?? []), ...set.balances.flatMap(({ tag }) => tag ?? []),
  ])].sort();
  const write = (balances: Balance[], merge?: string): void => changeSet(section, set.id, t("balance"), { balances }, merge);
  const put = (at: number, change: Partial<Balance>, merge?: string): void => (
    write(set.balances.map((one, place) => (place === at ? { ...one, ...change } : one)), merge && `balance ${at} ${merge}`));
  return (
    <Box pb="2">
      {set.balances.map((one, at) => (
        <Flex key={at} align="center" gap="2" py="1" role="group" aria-label={t("balance")}>
          <Text color="quiet">{t("atLeast")}</Text>
          <Box w="56px"><NumberField bare label={t("leastOf")} value={one.least} min={0} max={200} onChange={(least) => put(at, { least: Math.round(least) }, "least")} /></Box>
          <Text color="quiet">{t("atMost")}</Text>
          <Box w="92px">
            <NumberField
              bare label={t("mostOf")} value={one.most ?? null} min={0} max={200} none={{ word: t("any"), onNone: () => put(at, { most: null }, "most") }}
              onChange={(most) => put(at, { most: Math.round(most) }, "most")}
            />
          </Box>
          <Box w="170px">
            <Choose<string>
              bare label={t("whatItCounts")} value={one.tag ? `tag ${one.tag}` : one.level}
              options={[...LEVELS, ...tags.map((tag) => [`tag ${tag}`, t("withTheTag", { tag })] as const)]}
              onChange={(counted) => put(at, counted.startsWith("tag ") ? { tag: counted.slice(4) } : { tag: null, level: counted as Balance["level"] })}
            />
          </Box>
          <Tool label={t("removeThisBalance")} onClick={() => write(set.balances.filter((_, place) => place !== at))}><X size={14} /></Tool>
        </Flex>
      ))}
      {set.balances.length < MOST && (
        <QuietButton size="xs" onClick={() => write([...set.balances, { level: "hard", least: 1 }])}>{t("addABalance")}</QuietButton>
      )}
    </Box>
  );
}
