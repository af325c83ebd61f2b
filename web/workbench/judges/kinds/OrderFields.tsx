import { Box, Text } from "@chakra-ui/react";
import type { ReactNode } from "react";
import type { QuestionOf } from "../../../api/types";
import { Check } from "../../../kit/Check";
import { Choose } from "../../../kit/Choose";
import type { KindProps } from "./props";
import { PartRows } from "../PartRows";
import { changeQuestion, isUnjudged } from "../parts";
import { t } from "../../../words/judges";

/** The steps in their right order, and how that is counted. */
export function OrderFields({ slide, question }: KindProps<QuestionOf<"ordering">>): ReactNode {
  return (
    <>
      <Text fontSize="12.5px" color="quiet">{t("putThemInTheCorrect")}</Text>
      <PartRows
        slide={slide} question={question} list="items" word={t("step")}
        more={(part) => {
          const index = question.items.findIndex(({ id }) => id === part.id);
          return index > 0 && (
            <Box pl="2">
              <Check
                label={t("canSwapWithTheOne")} help={t("helpSwap")} value={question.items[index]?.level ?? false}
                onChange={(level) => changeQuestion(question, { items: question.items.map((item) => (item.id === part.id ? { ...item, level } : item)) })}
              />
            </Box>
          );
        }}
      />
      {!isUnjudged(question) && (
        <Choose
          label={t("correct")} help={t("helpOrderCorrect")} value={question.counts} onChange={(counts) => changeQuestion(question, { counts })}
          options={[["all", t("itemsInTheirPosition")], ["pairs", t("neighboursInTheRightOrder")], ["run", t("theLongestCorrectSequence")]]}
        />
      )}
    </>
  );
}
