import { Text } from "@chakra-ui/react";
import type { ReactNode } from "react";
import type { QuestionOf } from "../../../api/types";
import { NumberField } from "../../../kit/NumberField";
import { Pair } from "../../../kit/Pair";
import { TextField } from "../../../kit/TextField";
import type { KindProps } from "./props";
import { changeQuestion } from "../parts";
import { lines, fromLines } from "../words";
import { t } from "../../../words/judges";

/** How long an open answer may be, and the model answer that is shown after it. */
export function OpenFields({ question }: KindProps<QuestionOf<"open_answer">>): ReactNode {
  return (
    <>
      <Pair>
        <NumberField label={t("atLeast")} value={question.at_least} min={0} max={1_000} onChange={(at_least) => changeQuestion(question, { at_least: Math.round(at_least) })} />
        <NumberField label={t("atMost")} value={question.at_most} min={1} max={1_000} onChange={(at_most) => changeQuestion(question, { at_most: Math.round(at_most) })} />
      </Pair>
      <Text fontSize="12px" color="quiet">{t("charactersLongAnswersNeedRoom")}</Text>
      <TextField label={t("modelAnswerShownAfterwards")} help={t("helpModelAnswer")} lines={3} value={lines(question.model)} onChange={(text) => changeQuestion(question, { model: fromLines(text) })} />
    </>
  );
}
