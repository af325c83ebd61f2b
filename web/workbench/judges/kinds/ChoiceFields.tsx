import { Pin } from "lucide-react";
import type { ReactNode } from "react";
import { QUESTIONS } from "../../../api/tables";
import type { Choice, QuestionOf } from "../../../api/types";
import { Check } from "../../../kit/Check";
import { Choose } from "../../../kit/Choose";
import { Fold } from "../../../kit/Fold";
import { NumberField } from "../../../kit/NumberField";
import { Pair } from "../../../kit/Pair";
import { Tool } from "../../../kit/Tool";
import type { KindProps } from "./props";
import { PartRows } from "../PartRows";
import { changeQuestion, withRight } from "../parts";
import { Setting } from "../Following";
import { PartFeedback } from "./PartFeedback";
import { PartPoints } from "./PartPoints";
import { lines, fromLines } from "../words";
import { t } from "../../../words/judges";

const LETTERS = [["none", t("none")], ["capital", t("aBC")], ["small", t("aBC2")], ["number", "1, 2, 3"]] as const;

type Choosing = QuestionOf<"single_choice"> | QuestionOf<"multiple_response"> | QuestionOf<"true_false">;

/** The answers to choose from: which are right, their points, what is said to each. */
export function ChoiceFields({ slide, question }: KindProps<Choosing>): ReactNode {
  const survey = question.purpose === "survey";
  const several = question.kind === "multiple_response";
  const shuffled = "shuffle" in question && question.shuffle;
  const change = (id: string, part: Partial<Choice>): void => changeQuestion(question, {
    choices: question.choices.map((choice) => (choice.id === id ? { ...choice, ...part } : choice)),
  });
  const choice = (id: string): Choice | undefined => question.choices.find((other) => other.id === id);
  return (
    <>
      <PartRows
        slide={slide} question={question} list="choices" word={t("answer")}
        before={(part, words) => !survey && (
          <input
            type={several ? "checkbox" : "radio"} name={`right-${question.id}`} checked={choice(part.id)?.right ?? false}
            aria-label={t("wordsIsCorrect", { words })} title={t("correct")} style={{ accentColor: "#1e5b4b", width: 16, height: 16, flex: "none" }}
            onChange={() => changeQuestion(question, withRight(question, part.element))}
          />
        )}
        isSet={(part) => Boolean(choice(part.id)?.says.blocks.length)}
        more={(part, words) => {
          const one = choice(part.id);
          return one && (
            <>
              <PartFeedback value={lines(one.says)} label={t("feedbackForWords", { words })} onChange={(text) => change(part.id, { says: fromLines(text) })} />
              <PartPoints question={question} words={words} value={one.points} onChange={(points) => change(part.id, { points })} />
              {shuffled && (
                <Tool label={one.pinned ? t("wordsIsPinnedItKeeps", { words }) : t("pinWordsKeepItsPosition", { words })} aria-pressed={one.pinned} onClick={() => change(part.id, { pinned: !one.pinned })}>
                  <Pin size={13} />
                </Tool>
              )}
            </>
          );
        }}
      />
      <Fold title={t("shuffleLettersAndLimits")}>
        {"letters" in question && <Choose label={t("letters")} help={t("helpLetters")} value={question.letters} options={LETTERS} onChange={(letters) => changeQuestion(question, { letters })} />}
        {"shuffle" in question && (
          <Setting of="shuffle" label={t("shuffleAnswers")}>
            <Check label={t("shuffleAnswers")} help={t("helpShuffleAnswers")} value={question.shuffle} onChange={(shuffle) => changeQuestion(question, { shuffle })} />
          </Setting>
        )}
        {question.kind === "multiple_response" && (
          <Pair>
            <NumberField label={t("atLeast")} value={question.at_least} min={1} max={QUESTIONS.multiple_response.lists.choices} onChange={(at_least) => changeQuestion(question, { at_least: Math.round(at_least) })} />
            <NumberField label={t("atMost")} value={question.at_most ?? question.choices.length} min={1} max={QUESTIONS.multiple_response.lists.choices} onChange={(at_most) => changeQuestion(question, { at_most: at_most >= question.choices.length ? null : Math.round(at_most) })} />
          </Pair>
        )}
      </Fold>
    </>
  );
}
