/** Patterns as one thing: what takes part, and how it behaves. */
import { Box, Flex, Stack, Text } from "@chakra-ui/react";
import { FilePlus2, Plus, Trash2, X } from "lucide-react";
import { useEffect, useRef, type ReactNode } from "react";
import type { Pattern, Slide } from "../../api/types";
import { Check } from "../../kit/Check";
import { Choose } from "../../kit/Choose";
import { Explained } from "../../kit/Explained";
import { TextField } from "../../kit/TextField";
import { removeThing } from "../store/commands";
import { changeSlide, select } from "../store/store";
import { FoldCard } from "../../kit/FoldCard";
import { QuietButton } from "../../kit/QuietButton";
import { Tool } from "../../kit/Tool";
import { Compiled } from "./Compiled";
import { ConditionEditor } from "./ConditionEditor";
import { CardMembers, ChecklistMembers, PlaceMembers, StepMembers } from "./PatternMembers";
import { makePathSlides, partsOf, useMadeNotes } from "./patterns";
import { useThings, type Things } from "./things";
import { Word, WordChoice, WordField } from "./Word";
import { t } from "../../words/does";

/** The patterns of a slide, or only those that one element takes part in. */
export function PatternCards({ slide, of }: { slide: Slide; of?: string }): ReactNode {
  const things = useThings(slide);
  const shown = slide.patterns.filter((pattern) => !of || partsOf(pattern).includes(of));
  function change(next: Pattern): void {
    changeSlide(t("changePattern"), {
      ...slide, patterns: slide.patterns.map((old) => (old.id === next.id ? next : old)),
    }, `pattern-${next.id}`);
    // What was selected no longer takes part: the card stays with what does.
    const parts = partsOf(next);
    if (of && !parts.includes(of)) select(slide.elements.map(({ id }) => id).filter((id) => parts.includes(id)).slice(0, 1));
  }
  const remove = (id: string): void => void removeThing(t("dissolvePattern"), { kind: "pattern", id }, (now) => ({
    ...now, patterns: now.patterns.filter((old) => old.id !== id && !(old.kind === "seen_counter" && old.set === id)),
  }));
  return shown.map((pattern) => (
    <FoldCard key={pattern.id} title={pattern.name || t("pattern")}>
      <Stack gap="1">
        <MadeNotes pattern={pattern.id} />
        <TextField label={t("nameOnlyYouSeeIt")} value={pattern.name} onChange={(name) => change({ ...pattern, name })} />
        <Fields pattern={pattern} things={things} onChange={change} />
        <Compiled parts={partsOf(pattern)} name={things.name} />
        <Flex gap="2" pt="1">
          <QuietButton size="xs" onClick={() => select(partsOf(pattern).filter((id) => slide.elements.some((e) => e.id === id)))}>{t("selectAllOfIt")}</QuietButton>
          <QuietButton size="xs" color="brick" onClick={() => remove(pattern.id)}><Trash2 size={14} />{t("dissolveKeepTheElements")}</QuietButton>
        </Flex>
      </Stack>
    </FoldCard>
  ));
}

/** How the pattern was made of what was selected, for the author to check. */
function MadeNotes({ pattern }: { pattern: string }): ReactNode {
  const made = useMadeNotes((state) => state[pattern]);
  const box = useRef<HTMLDivElement>(null);
  useEffect(() => {
    if (!made || made.wasShown) return;
    box.current?.scrollIntoView({ block: "center" });
    useMadeNotes.setState({ [pattern]: { ...made, wasShown: true } });
  }, [made, pattern]);
  if (!made) return null;
  return (
    <Flex ref={box} bg="marigold.soft" color="marigold.ink" borderRadius="6px" p="2" fontSize="12.5px" gap="1">
      <Box role="status" flex="1">
        {made.notes.map((note) => <Text key={note}>{note}</Text>)}
        <Text>{t("ifYouMeantSomethingElse")}</Text>
      </Box>
      <Tool label={t("close")} onClick={() => useMadeNotes.setState({ [pattern]: undefined })}><X size={13} /></Tool>
    </Flex>
  );
}

interface FieldProps<P extends Pattern = Pattern> { pattern: P; things: Things; onChange: (pattern: Pattern) => void }

function Fields({ pattern, things, onChange }: FieldProps): ReactNode {
  switch (pattern.kind) {
    case "reveal_set": return <RevealFields {...{ pattern, things, onChange }} />;
    case "seen_counter": return <CounterFields {...{ pattern, things, onChange }} />;
    case "choose_path": return <PathFields {...{ pattern, things, onChange }} />;
    case "flip_cards": return <CardMembers {...{ pattern, things, onChange }} />;
    case "steps": return <StepMembers {...{ pattern, things, onChange }} />;
    case "before_after": return (
      <Flex align="center" gap="2" wrap="wrap">
        <Text>{t("wipesFrom")}{" "}<Word>{things.name(pattern.before)}</Word>{" "}{t("to")}{" "}<Word>{things.name(pattern.after)}</Word></Text>
        <QuietButton size="2xs" onClick={() => onChange({ ...pattern, before: pattern.after, after: pattern.before })}>{t("swapTheTwo")}</QuietButton>
      </Flex>
    );
    case "checklist": return <ChecklistMembers {...{ pattern, things, onChange }} />;
    case "spot_places": return <PlaceMembers {...{ pattern, things, onChange }} />;
  }
}

function RevealFields({ pattern, things, onChange }: FieldProps<Extract<Pattern, { kind: "reveal_set" }>>): ReactNode {
  const taken = new Set(partsOf(pattern));
  const free = things.things.filter((id) => !taken.has(id));
  const put = (index: number, part: Partial<(typeof pattern.items)[number]> | null): void => onChange({
    ...pattern, items: pattern.items.flatMap((item, n) => (n !== index ? [item] : part ? [{ ...item, ...part }] : [])),
  });
  return (
    <>
      {pattern.items.map((item, index) => (
        <Flex key={item.trigger} wrap="wrap" align="center" gap="1" lineHeight="2">
          <Word>{things.name(item.trigger)}</Word>
          <span>{t("shows")}</span>
          {item.shows.map((id) => (
            <Flex key={id} as="span" align="center">
              <Word>{things.name(id)}</Word>
              <Tool label={t("noLongerShowName", { name: things.name(id) })} onClick={() => put(index, { shows: item.shows.filter((other) => other !== id) })}><X size={12} /></Tool>
            </Flex>
          ))}
          <WordChoice
            label={t("nameShowsAlso", { name: things.name(item.trigger) })} value="" options={[["", item.shows.length ? t("and2") : "…"], ...free.map((id): [string, string] => [id, things.name(id)])]}
            onChange={(id) => put(index, { shows: [...item.shows, id] })}
          />
          <Tool label={t("takeNameOutOfThe", { name: things.name(item.trigger) })} onClick={() => put(index, null)}><X size={13} /></Tool>
        </Flex>
      ))}
      <Flex align="center" gap="1" color="quiet">
        <Plus size={12} />
        <WordChoice
          label={t("addAnElementToClick")} value="" options={[["", t("addAnElementToClick2")], ...free.map((id): [string, string] => [id, things.name(id)])]}
          onChange={(trigger) => onChange({ ...pattern, items: [...pattern.items, { trigger, shows: [] }] })}
        />
      </Flex>
      <Choose
        label={t("open")} value={pattern.one_at_a_time ? "one" : "all"} options={[["one", t("oneAtATime")], ["all", t("allStayOpen")]]}
        onChange={(how) => onChange({ ...pattern, one_at_a_time: how === "one" })}
      />
      <Check label={t("clickAgainToClose")} value={pattern.closes_again} onChange={(closes_again) => onChange({ ...pattern, closes_again })} />
      <Check label={t("theFirstIsOpenAt")} value={pattern.first_open} onChange={(first_open) => onChange({ ...pattern, first_open })} />
    </>
  );
}

function CounterFields({ pattern, things, onChange }: FieldProps<Extract<Pattern, { kind: "seen_counter" }>>): ReactNode {
  return (
    <>
      <Flex align="center" gap="1" wrap="wrap" lineHeight="2">
        <Word>{things.name(pattern.text)}</Word><span>{t("countsWhatIsLeftOf")}</span>
        <WordChoice label={t("set")} tone="what" value={pattern.set} options={things.sets.map((id): [string, string] => [id, things.name(id)])} onChange={(set) => onChange({ ...pattern, set })} />
      </Flex>
      <TextField label={t("textIsTheNumber")} value={pattern.words} onChange={(words) => onChange({ ...pattern, words })} />
      {pattern.for_count.map((entry, index) => (
        <Flex key={index} align="center" gap="1" wrap="wrap">
          <span>{t("when2")}</span>
          <WordField label={t("numberLeft")} number value={entry.left} onChange={(left) => onChange({ ...pattern, for_count: pattern.for_count.map((e, n) => (n === index ? { ...e, left: Math.max(Math.round(Number(left)), 0) } : e)) })} />
          <span>{t("left")}</span>
          <WordField label={t("textThen")} value={entry.words} onChange={(words) => onChange({ ...pattern, for_count: pattern.for_count.map((e, n) => (n === index ? { ...e, words } : e)) })} />
          <Tool label={t("removeThisText")} onClick={() => onChange({ ...pattern, for_count: pattern.for_count.filter((_, n) => n !== index) })}><X size={13} /></Tool>
        </Flex>
      ))}
      <Box><QuietButton size="2xs" onClick={() => onChange({ ...pattern, for_count: [...pattern.for_count, { left: 1, words: t("oneLeft") }] })}><Plus size={12} />{t("textForANumber")}</QuietButton></Box>
    </>
  );
}

function PathFields({ pattern, things, onChange }: FieldProps<Extract<Pattern, { kind: "choose_path" }>>): ReactNode {
  const put = (index: number, part: Partial<(typeof pattern.paths)[number]> | null): void => onChange({
    ...pattern, paths: pattern.paths.flatMap((path, n) => (n !== index ? [path] : part ? [{ ...path, ...part }] : [])),
  });
  return (
    <>
      {pattern.paths.map((path, index) => (
        <Box key={index} lineHeight="2">
          {path.trigger
            ? <Word>{things.name(path.trigger)}</Word>
            : <ConditionEditor lead={t("nextIf")} condition={path.condition} things={things} onChange={(condition) => put(index, { condition })} />}
          <span>{" "}{t("leadsTo")}{" "}</span>
          <WordChoice
            label={t("slide")} tone="what" value={path.slide ?? ""} options={[["", "…"], ...things.course.slides.map((id): [string, string] => [id, things.name(id)])]}
            onChange={(slide) => put(index, { slide: slide || null })}
          />
          <Tool label={t("removeThisWay")} onClick={() => put(index, null)}><X size={13} /></Tool>
        </Box>
      ))}
      <Box>
        <QuietButton size="2xs" onClick={() => onChange({ ...pattern, paths: [...pattern.paths, { trigger: null, condition: true, slide: null }] })}>
          <Plus size={12} />{t("aWayForNextIf")}
        </QuietButton>
        {pattern.paths.some((path) => !path.slide) && (
          <Explained help={t("helpSlidesForPaths")}>
            <QuietButton size="2xs" mt="1" onClick={() => void makePathSlides(pattern.id)}><FilePlus2 size={12} />{t("makeASlideForEach")}</QuietButton>
          </Explained>
        )}
      </Box>
    </>
  );
}
