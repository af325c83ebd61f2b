import { Box, chakra, Flex, Stack, Text } from "@chakra-ui/react";
import { ArrowDown, ArrowLeftRight, ArrowUp } from "lucide-react";
import type { ReactNode } from "react";
import type { QuestionOf, Slide } from "../../../api/types";
import { Check } from "../../../kit/Check";
import { Choose } from "../../../kit/Choose";
import { Fold } from "../../../kit/Fold";
import { QuietButton } from "../../../kit/QuietButton";
import { Tool } from "../../../kit/Tool";
import { changeRole } from "../making";
import type { Pairing } from "../pairing";
import { PairTable } from "../PairTable";
import { changeQuestion, partWords, ROLES } from "../parts";
import { PartRows } from "../PartRows";
import { PartFeedback } from "./PartFeedback";
import { PartPoints } from "./PartPoints";
import { fromLines, lines } from "../words";
import { t } from "../../../words/judges";

const WRONG = [["stay", t("stayWhereDropped")], ["return_at_once", t("goBackAtOnce")], ["return_when_judged", t("goBackWhenChecked")]] as const;

interface Props { slide: Slide; question: Pairing }

/** Things and the targets that they belong on. */
export function PairFields({ slide, question }: Props): ReactNode {
  const item = (id: string): Pairing["items"][number] | undefined => question.items.find((other) => other.id === id);
  const change = (id: string, part: object): void => changeQuestion(question, {
    items: question.items.map((other) => (other.id === id ? { ...other, ...part } : other)),
  });
  return (
    <Stack gap="2">
      <Heading>{t("itemsAndTheirTargets")}</Heading>
      <PartRows
        slide={slide} question={question} list="items" word={t("item")}
        tools={(part) => <Tool label={t("makeItATarget")} onClick={() => void changeRole(question, "targets", part.element)}><ArrowDown size={14} /></Tool>}
        note={(part, words) => (
          <BelongsOn slide={slide} question={question} words={words} to={item(part.id)?.to ?? []} onChange={(to) => change(part.id, { to })} />
        )}
        isSet={(part) => Boolean(item(part.id)?.says.blocks.length)}
        more={(part, words) => {
          const one = item(part.id);
          return one && (
            <>
              {question.kind === "drag_to_target" && (
                <Check label={one.to.length > 1 ? t("canBeUsedMoreThan") : t("canBeUsedMoreThan2")} value={one.endless} onChange={(endless) => change(part.id, { endless })} />
              )}
              <PartPoints question={question} words={words} value={one.points} onChange={(points) => change(part.id, { points })} />
              <PartFeedback value={lines(one.says)} label={t("feedbackWhenWordsIsWrong", { words })} onChange={(text) => change(part.id, { says: fromLines(text) })} />
            </>
          );
        }}
      />
      <Box><QuietButton size="xs" onClick={() => void changeRole(question, "swap")}><ArrowLeftRight size={14} />{t("swapItemsAndTargets")}</QuietButton></Box>
      <Fold title={t("tableOfItemsAndTargets")}><PairTable slide={slide} question={question} /></Fold>
      <Heading>{question.kind === "matching" ? t("matchedWith") : t("targets")}</Heading>
      <PartRows
        slide={slide} question={question} list="targets" word={t("target")}
        tools={(part) => <Tool label={t("makeItAnItem")} onClick={() => void changeRole(question, "items", part.element)}><ArrowUp size={14} /></Tool>}
        more={(part) => {
          const target = question.targets.find((other) => other.id === part.id);
          return target && (
            <Flex align="center" gap="1" fontSize="12px" color="quiet">
              <span>{t("holds")}</span>
              <chakra.select
                aria-label={t("slideTakes", { slide: partWords(slide, target) })} value={target.takes ?? ""} bg="sheet" borderRadius="6px"
                onChange={(event) => changeQuestion(question, {
                  targets: question.targets.map((other) => (other.id === part.id ? { ...other, takes: event.target.value ? Number(event.target.value) : null } : other)),
                })}
              >
                <option value="">{t("anyNumber")}</option>
                {[1, 2, 3, 4, 5, 6].map((n) => <option key={n} value={n}>{n}</option>)}
              </chakra.select>
            </Flex>
          );
        }}
      />
      {question.kind === "drag_to_target" && <Dropping question={question} />}
    </Stack>
  );
}

/** How items lie on their targets, and what becomes of wrong ones. */
function Dropping({ question }: { question: QuestionOf<"drag_to_target"> }): ReactNode {
  return (
    <Fold title={t("dropping")}>
      <Choose
        label={t("onATarget")} help={t("helpOnTarget")} value={question.arrange} options={[["tile", t("sideBySide")], ["stack", t("stacked")], ["snap", t("centred")]]}
        onChange={(arrange) => changeQuestion(question, { arrange })}
      />
      <Choose label={t("wrongItems")} help={t("helpWrongItems")} value={question.wrong_items} options={WRONG} onChange={(wrong_items) => changeQuestion(question, { wrong_items })} />
      {question.wrong_items === "return_at_once" && (
        <Check label={t("countEachWrongDropAs")} help={t("helpCountEachWrongDrop")} value={question.drops_count} onChange={(drops_count) => changeQuestion(question, { drops_count })} />
      )}
    </Fold>
  );
}

/** The target of an item, in its row; where it belongs on several, their number: the table shows which. */
function BelongsOn(
  { slide, question, words, to, onChange }: { slide: Slide; question: Pairing; words: string; to: readonly string[]; onChange: (to: string[]) => void },
): ReactNode {
  const several = to.length > 1;
  return (
    <chakra.select
      aria-label={t("targetOfWords", { words })} title={belongs(slide, question, to)} value={several ? "several" : to[0] ?? ""} fontSize="12px" color="quiet" maxW="96px" bg="sheet"
      borderRadius="6px" onChange={(event) => onChange(event.target.value ? [event.target.value] : [])}
    >
      <option value="">{t("arrowNoTarget")}</option>
      {question.targets.map((target) => <option key={target.id} value={target.id}>→ {partWords(slide, target) || ROLES.targets}</option>)}
      {several && <option value="several" disabled>{t("arrowSeveralTargets", { count: to.length })}</option>}
    </chakra.select>
  );
}

function belongs(slide: Slide, question: Pairing, to: readonly string[]): string {
  const words = question.targets.filter(({ id }) => to.includes(id)).map((target) => partWords(slide, target) || ROLES.targets);
  return words.length ? t("belongsOnTargets", { targets: words.join(" or ") }) : t("noTargetADistractor");
}

function Heading({ children }: { children: string }): ReactNode {
  return <Text fontSize="12.5px" fontWeight="700" color="quiet">{children}</Text>;
}
