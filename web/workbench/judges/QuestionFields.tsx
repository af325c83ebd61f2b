import type { ReactNode } from "react";
import type { Question, QuestionOf } from "../../api/types";
import { AcceptsFields } from "./AcceptsFields";
import { BlankFields } from "./kinds/BlankFields";
import { ChoiceFields } from "./kinds/ChoiceFields";
import { OpenFields } from "./kinds/OpenFields";
import { OrderFields } from "./kinds/OrderFields";
import { SpotFields } from "./kinds/SpotFields";
import { PairFields } from "./kinds/PairFields";
import type { KindProps } from "./kinds/props";
import { changeQuestion } from "./parts";
import { PartRows } from "./PartRows";
import { t } from "../../words/judges";

type Kind = Question["kind"];

const FIELDS: { [K in Kind]: (props: KindProps<QuestionOf<K>>) => ReactNode } = {
  single_choice: ChoiceFields,
  multiple_response: ChoiceFields,
  true_false: ChoiceFields,
  short_text: ({ question }) => (
    <AcceptsFields
      accepts={question.accepts} numbers="also" name={t("acceptedAnswers")}
      onChange={(accepts) => changeQuestion(question, { accepts })}
    />
  ),
  numeric: ({ question }) => (
    <AcceptsFields
      accepts={question.accepts} numbers="only" name={t("acceptedNumbers")}
      onChange={(accepts) => changeQuestion(question, { accepts })}
    />
  ),
  blanks: BlankFields,
  matching: PairFields,
  drag_to_target: PairFields,
  ordering: OrderFields,
  hotspot: SpotFields,
  open_answer: OpenFields,
  rating_scale: ({ slide, question }) => <PartRows slide={slide} question={question} list="rows" word={t("statement")} />,
};

/** The settings that only questions of one kind have: what is right, and how that is counted. */
export function QuestionFields({ slide, question }: KindProps): ReactNode {
  const Fields = FIELDS[question.kind] as (props: KindProps) => ReactNode;
  return <Fields key={question.id} slide={slide} question={question} />;
}
