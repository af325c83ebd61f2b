/** What takes part in cards, steps and lists of things, each as something that can be chosen anew. */
import { Flex, Text } from "@chakra-ui/react";
import { ArrowLeftRight, ArrowUp, Plus, X } from "lucide-react";
import type { ReactNode } from "react";
import type { Pattern } from "../../api/types";
import { Tool } from "../../kit/Tool";
import { partsOf } from "./patterns";
import type { Things } from "./things";
import { Word, WordChoice } from "./Word";
import { t } from "../../words/does";

type Of<K extends Pattern["kind"]> = Extract<Pattern, { kind: K }>;
interface Props<P extends Pattern> { pattern: P; things: Things; onChange: (pattern: P) => void }
type Option = [string, string];

/** Elements of the slide that do not take part yet. */
function freeIn(pattern: Pattern, things: Things): string[] {
  const taken = new Set(partsOf(pattern));
  return (things.slide?.elements ?? []).map(({ id }) => id).filter((id) => !taken.has(id));
}

const options = (ids: readonly string[], things: Things): Option[] => ids.map((id) => [id, things.name(id)]);
const replaced = <T,>(list: readonly T[], at: number, ...by: T[]): T[] => [...list.slice(0, at), ...by, ...list.slice(at + 1)];

/** Fronts and backs of cards. */
export function CardMembers({ pattern, things, onChange }: Props<Of<"flip_cards">>): ReactNode {
  const free = freeIn(pattern, things);
  const { cards } = pattern;
  const put = (at: number, ...by: typeof cards): void => onChange({ ...pattern, cards: replaced(cards, at, ...by) });
  return (
    <>
      {cards.map((card, at) => {
        const side = (which: "front" | "back"): ReactNode => (
          <WordChoice
            label={which === "front" ? t("frontOfCardAt", { at: at + 1 }) : t("backOfCardAt", { at: at + 1 })} tone="what" value={card[which]}
            options={options([card[which], ...free], things)} onChange={(id) => put(at, { ...card, [which]: id })}
          />
        );
        return (
          <Flex key={at} wrap="wrap" align="center" gap="1" lineHeight="2">
            {side("front")}<span>{t("turnsTo")}</span>{side("back")}
            <Tool label={t("swapTheSidesOfCard", { at: at + 1 })} onClick={() => put(at, { front: card.back, back: card.front })}><ArrowLeftRight size={13} /></Tool>
            <Tool label={t("takeCardAtOut", { at: at + 1 })} onClick={() => put(at)}><X size={13} /></Tool>
          </Flex>
        );
      })}
      {free.length > 1
        ? <More label={t("addACard")} what={t("addACardWithThe")} ids={free} things={things} onTake={(front) => onChange({ ...pattern, cards: [...cards, { front, back: free.find((id) => id !== front) ?? front }] })} />
        : <Text fontSize="12px" color="quiet">{t("anotherCardNeedsTwoMore")}</Text>}
    </>
  );
}

/** What each step shows, and the buttons that lead on and back. */
export function StepMembers({ pattern, things, onChange }: Props<Of<"steps">>): ReactNode {
  const free = freeIn(pattern, things);
  const { steps } = pattern;
  const put = (at: number, ...by: typeof steps): void => onChange({ ...pattern, steps: replaced(steps, at, ...by) });
  const up = (at: number): void => onChange({ ...pattern, steps: [...steps.slice(0, at - 1), steps[at], steps[at - 1], ...steps.slice(at + 1)] as typeof steps });
  const button = (which: "onward" | "back"): ReactNode => (
    <WordChoice
      label={which === "onward" ? t("whatLeadsOnward") : t("whatLeadsBack")} tone="what" value={pattern[which] ?? ""}
      options={[["", t("nothing")], ...options([...(pattern[which] ? [pattern[which]] : []), ...free], things)]}
      onChange={(id) => onChange({ ...pattern, [which]: id || null })}
    />
  );
  return (
    <>
      {steps.map((step, at) => (
        <Flex key={at} wrap="wrap" align="center" gap="1" lineHeight="2">
          <Text color="quiet" minW="14px">{at + 1}</Text>
          {step.shows.map((id) => (
            <Flex key={id} as="span" align="center">
              <Word>{things.name(id)}</Word>
              <Tool label={t("noLongerShowName", { name: things.name(id) })} onClick={() => put(at, { shows: step.shows.filter((other) => other !== id) })}><X size={12} /></Tool>
            </Flex>
          ))}
          <WordChoice
            label={t("stepAtShowsAlso", { at: at + 1 })} tone="more" value="" options={[["", step.shows.length ? t("and2") : t("shows2")], ...options(free, things)]}
            onChange={(id) => put(at, { shows: [...step.shows, id] })}
          />
          {at > 0 && <Tool label={t("stepAtComesEarlier", { at: at + 1 })} onClick={() => up(at)}><ArrowUp size={13} /></Tool>}
          <Tool label={t("takeStepAtOut", { at: at + 1 })} onClick={() => put(at)}><X size={13} /></Tool>
        </Flex>
      ))}
      <More label={t("addAStep")} what={t("addAStepWhichShows")} ids={free} things={things} onTake={(id) => onChange({ ...pattern, steps: [...steps, { shows: [id] }] })} />
      <Flex wrap="wrap" align="center" gap="1" lineHeight="2"><span>{t("onwardWith")}</span>{button("onward")}<span>{t("backWith")}</span>{button("back")}</Flex>
    </>
  );
}

/** Things to tick off, or places to find. */
function ListMembers(
  { ids, free, things, what, onChange }: { ids: readonly string[]; free: readonly string[]; things: Things; what: string; onChange: (ids: string[]) => void },
): ReactNode {
  return (
    <>
      {ids.map((id, at) => (
        <Flex key={id} align="center" gap="1" lineHeight="2">
          <Word>{things.name(id)}</Word>
          <Tool label={t("takeNameOutOfThe", { name: things.name(id) })} onClick={() => onChange(replaced(ids, at))}><X size={13} /></Tool>
        </Flex>
      ))}
      <More label={t("addAnotherWhat", { what })} what={t("addAnotherWhat2", { what })} ids={free} things={things} onTake={(id) => onChange([...ids, id])} />
    </>
  );
}

/** What is to be ticked off. */
export function ChecklistMembers({ pattern, things, onChange }: Props<Of<"checklist">>): ReactNode {
  return <ListMembers ids={pattern.items} free={freeIn(pattern, things)} things={things} what={t("itemToTickOff")} onChange={(items) => onChange({ ...pattern, items })} />;
}

/** Where there is something to find. */
export function PlaceMembers({ pattern, things, onChange }: Props<Of<"spot_places">>): ReactNode {
  const areas = new Set((things.slide?.elements ?? []).filter(({ kind }) => kind === "area").map(({ id }) => id));
  return (
    <ListMembers
      ids={pattern.places} free={freeIn(pattern, things).filter((id) => areas.has(id))} things={things} what={t("place")}
      onChange={(places) => onChange({ ...pattern, places })}
    />
  );
}

function More({ label, what, ids, things, onTake }: { label: string; what: string; ids: readonly string[]; things: Things; onTake: (id: string) => void }): ReactNode {
  if (!ids.length) return null;
  return (
    <Flex align="center" gap="1" color="quiet">
      <Plus size={12} />
      <WordChoice label={label} tone="more" value="" options={[["", what], ...options(ids, things)]} onChange={onTake} />
    </Flex>
  );
}
