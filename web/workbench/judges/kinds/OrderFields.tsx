import { Box, Text } from "@chakra-ui/react";
import type { ReactNode } from "react";
import type { QuestionOf } from "../../../api/types";
import { Check } from "../../../kit/Check";
import { Choose } from "../../../kit/Choose";
import type { KindProps } from "./props";
import { PartRows } from "../PartRows";
import { changeQuestion, isUnjudged } from "../parts";

/** The steps in their right order, and how that is counted. */
export function OrderFields({ slide, question }: KindProps<QuestionOf<"ordering">>): ReactNode {
  return (
    <>
      <Text fontSize="12.5px" color="quiet">In the right order; learners see them mixed.</Text>
      <PartRows
        slide={slide} question={question} list="items" word="step"
        after={(part) => {
          const index = question.items.findIndex(({ id }) => id === part.id);
          return index > 0 && (
            <Box pl="2">
              <Check
                label="may change places with the one before" value={question.items[index]?.level ?? false}
                onChange={(level) => changeQuestion(question, { items: question.items.map((item) => (item.id === part.id ? { ...item, level } : item)) })}
              />
            </Box>
          );
        }}
      />
      {!isUnjudged(question) && (
        <Choose
          label="right are" value={question.counts} onChange={(counts) => changeQuestion(question, { counts })}
          options={[["all", "those in their place"], ["pairs", "right neighbours"], ["run", "the longest right run"]]}
        />
      )}
    </>
  );
}
