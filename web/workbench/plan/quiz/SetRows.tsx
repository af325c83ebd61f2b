/** The sets of a quiz, a row each; a row that is open has its slides below it. */
import { Box, Flex, Input, Text } from "@chakra-ui/react";
import { ArrowDown, ArrowUp, ChevronDown, ChevronRight, Trash2 } from "lucide-react";
import { useState, type ReactNode } from "react";
import type { QuestionSet, Quiz, QuizNumbers } from "../../../api/types";
import { Choose } from "../../../kit/Choose";
import { Explained } from "../../../kit/Explained";
import { NumberField } from "../../../kit/NumberField";
import { Tool } from "../../../kit/Tool";
import { t } from "../../../words/quiz";
import { useCourse } from "../../store/store";
import { Balances } from "./Balances";
import { changeSet, removeSet, shiftSet } from "./quizzes";
import { SetSlides } from "./SetSlides";

const COLUMNS = "minmax(150px, 1.4fr) minmax(110px, 1fr) minmax(130px, 1fr) minmax(120px, 1fr) 84px";

const ORDERS = [["shuffled", t("shuffled")], ["kept", t("inTheCoursesOrder")]] as const;

interface Props {
  section: string;
  quiz: Quiz;
  own: readonly string[];
  numbers: QuizNumbers | undefined;
}

/** All sets, under headings. */
export function SetRows({ section, quiz, own, numbers }: Props): ReactNode {
  if (!quiz.sets.length) return <Text color="quiet" py="4">{t("noSetYet")}</Text>;
  return (
    <Box as="section" bg="sheet" borderWidth="1px" borderRadius="card" aria-label={t("sets")} fontSize="13px">
      <Box display="grid" gridTemplateColumns={COLUMNS} px="3" py="2" gap="2" color="quiet" fontWeight="600" alignItems="end" borderBottomWidth="1px" aria-hidden>
        <Text>{t("set")}</Text><Text>{t("draw")}</Text><Text>{t("order")}</Text><Text>{t("seenByHundred")}</Text>
      </Box>
      {quiz.sets.map((set, at) => (
        <SetRow key={set.id} {...{ section, quiz, own, set, numbers }} first={at === 0} last={at === quiz.sets.length - 1} />
      ))}
    </Box>
  );
}

function SetRow({ section, quiz, own, set, numbers, first, last }: Props & { set: QuestionSet; first: boolean; last: boolean }): ReactNode {
  const [open, setOpen] = useState(false);
  const slides = useCourse((state) => state.slides);
  const there = own.filter((slide) => set.slides.includes(slide));
  const asking = there.filter((slide) => slides[slide]?.questions.length).length;
  const Arrow = open ? ChevronDown : ChevronRight;
  return (
    <Box borderBottomWidth={last ? "0" : "1px"} bg={open ? "marigold.soft" : undefined} role="group" aria-label={set.name || t("untitled")} data-set={set.id}>
      <Box display="grid" gridTemplateColumns={COLUMNS} px="3" py="2" gap="2" alignItems="center">
        <Flex gap="1" minW="0">
          <Tool label={t("showTheSlides", { set: set.name })} aria-expanded={open} onClick={() => setOpen(!open)}><Arrow size={15} /></Tool>
          <Box minW="0">
            <Input
              value={set.name} aria-label={t("nameOfTheSet")} size="xs" variant="flushed" borderColor="transparent" fontWeight="700" fontSize="14px" h="24px" textOverflow="ellipsis" maxLength={200}
              onChange={(event) => changeSet(section, set.id, t("nameOfTheSet"), { name: event.target.value }, "name")}
            />
            <Text color="quiet" fontSize="12.5px">{t("questions", { count: asking })}</Text>
          </Box>
        </Flex>
        <Explained help={t("helpDraw")}>
          <Flex align="center" gap="1.5">
            <Box w="64px">
              <NumberField
                bare label={t("drawHowMany", { set: set.name })} value={set.take ?? null} min={0} max={Math.max(asking, set.take ?? 0)}
                none={{ word: t("all"), onNone: () => changeSet(section, set.id, t("draw"), { take: null }, "take") }}
                onChange={(take) => changeSet(section, set.id, t("draw"), { take: Math.round(take) }, "take")}
              />
            </Box>
            <Text color="quiet" whiteSpace="nowrap">{t("of", { count: asking })}</Text>
          </Flex>
        </Explained>
        <Choose
          bare label={t("orderOf", { set: set.name })} value={set.shuffled ? "shuffled" : "kept"} options={ORDERS} disabled={quiz.order === "mixed"}
          onChange={(order) => changeSet(section, set.id, t("order"), { shuffled: order === "shuffled" })}
        />
        <Explained help={t("seenHelp")}><Text>{seen(there, numbers)}</Text></Explained>
        <Flex justify="flex-end">
          <Tool label={t("setUp")} disabled={first} onClick={() => shiftSet(section, set.id, -1)}><ArrowUp size={14} /></Tool>
          <Tool label={t("setDown")} disabled={last} onClick={() => shiftSet(section, set.id, 1)}><ArrowDown size={14} /></Tool>
          <Tool label={t("removeSet")} onClick={() => removeSet(section, set.id)}><Trash2 size={14} /></Tool>
        </Flex>
      </Box>
      {numbers?.impossible.includes(set.id) && (
        <Text color="brick" px="3" pb="2" role="alert">
          {(set.take ?? 0) > asking ? t("tooFew", { take: set.take, count: asking }) : t("noDrawFits", { take: set.take })}
        </Text>
      )}
      {open && (
        <Box px="3" pb="3">
          <Balances section={section} set={set} slides={there} />
          <SetSlides section={section} quiz={quiz} set={set} slides={there} numbers={numbers} />
        </Box>
      )}
    </Box>
  );
}

/** By how many of 100 learners the slides of a set are seen. */
function seen(there: readonly string[], numbers: QuizNumbers | undefined): string {
  const own = numbers?.seen.filter(({ slide }) => there.includes(slide)) ?? [];
  const [one] = own;
  if (!one) return "";
  const means = own.map(({ mean }) => mean);
  const [low, high] = [Math.min(...means), Math.max(...means)];
  if (high - low > 0.5) return t("eachBetween", { low: Math.round(low), high: Math.round(high) });
  return one.mean > 99.9 ? t("everyone") : t("eachBy", { mean: Math.round(one.mean), give: Math.round(one.give) });
}
