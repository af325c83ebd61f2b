/** The gate: what must be true before learners go on. */
import { Box, Flex, Stack, Text } from "@chakra-ui/react";
import { X } from "lucide-react";
import type { ReactNode } from "react";
import type { Gate, Slide, Wanted } from "../../api/types";
import { Check } from "../../kit/Check";
import { Choose } from "../../kit/Choose";
import { TextField } from "../../kit/TextField";
import { Tool } from "../../kit/Tool";
import { ConditionEditor } from "./ConditionEditor";
import { useThings, type Things } from "./things";
import { WordChoice, WordField } from "./Word";
import { t } from "../../words/does";

const MEANWHILE = [["message", t("showsAMessage")], ["disabled", t("isDisabled")], ["hidden", t("isHidden")]] as const;
const KINDS: readonly [Wanted["wants"], string][] = [
  ["all", t("allOnTheSlideWas")], ["set", t("allOfASetWas")], ["answered", t("aQuestionIsAnswered")],
  ["right", t("aQuestionIsAnsweredCorrectly")], ["watched", t("aVideoOrAudioWas")], ["dialogue", t("aDialogueHasEnded")], ["time", t("someTimeHasPassed")],
  ["condition", t("aConditionHolds")],
];

const OPEN: Gate = { wants: [{ wants: "all" }], meanwhile: "message", message: "", for_good: true };

/** `none` says what no gate of its own means; `ungated` is there where the course's may be left out. */
export function GateFields(
  { gate, slide, none, onChange }: { gate: Gate | null; slide: Slide | null; none: readonly [string, string][]; onChange: (gate: Gate | null, choice: string) => void },
): ReactNode {
  const things = useThings(slide);
  const change = (part: Partial<Gate>): void => onChange({ ...(gate ?? OPEN), ...part }, "own");
  const value = gate ? "own" : none[0]?.[0] ?? "";
  return (
    <Stack gap="1">
      <Choose
        label={t("whenMayLearnersGoOn")} help={t("helpGate")} value={value} options={[...none, ["own", t("onlyWhen")]]}
        onChange={(choice) => onChange(choice === "own" ? OPEN : null, choice)}
      />
      {gate && (
        <>
          {gate.wants.map((wanted, index) => (
            <Flex key={index} wrap="wrap" align="center" gap="1" lineHeight="2">
              {index > 0 && <span>{t("and")}</span>}
              <WantedWords
                wanted={wanted} things={things}
                onChange={(next) => change({ wants: gate.wants.map((old, n) => (n === index ? next : old)) })}
              />
              {gate.wants.length > 1 && (
                <Tool label={t("removeThis")} onClick={() => change({ wants: gate.wants.filter((_, n) => n !== index) })}><X size={13} /></Tool>
              )}
            </Flex>
          ))}
          <Box>
            <WordChoice
              label={t("addARequirement")} value="" options={[["", t("and2")], ...offered(things)]}
              onChange={(kind) => { if (kind) change({ wants: [...gate.wants, newWanted(kind as Wanted["wants"], things)] }); }}
            />
          </Box>
          <Choose label={t("untilThen")} help={t("helpUntilThen")} value={gate.meanwhile} options={MEANWHILE.map(([key, word]) => [key, t("nextWord", { word })] as const)} onChange={(meanwhile) => change({ meanwhile })} />
          {gate.meanwhile === "message" && (
            <TextField label={t("message")} help={t("helpGateMessage")} value={gate.message} hint={t("ifEmptyItSaysWhat")} onChange={(message) => change({ message })} />
          )}
          <Check label={t("onceOpenItStaysOpen")} help={t("helpOnceOpen")} value={gate.for_good} onChange={(for_good) => change({ for_good })} />
        </>
      )}
    </Stack>
  );
}

/** What can be asked for: what there is something for here; of all slides, all but single things. */
function offered(things: Things, now?: Wanted["wants"]): [string, string][] {
  const there: Partial<Record<Wanted["wants"], boolean>> = {
    set: things.sets.length > 0, watched: things.media.length > 0, right: things.slide === null || things.questions.length > 0,
    dialogue: things.slide === null || things.dialogues.length > 0, answered: things.slide === null || things.questions.length > 0,
  };
  return KINDS.filter(([kind]) => kind === now || there[kind] !== false).map(([kind, words]) => [kind, words]);
}

function newWanted(kind: Wanted["wants"], things: Things): Wanted {
  switch (kind) {
    case "all": return { wants: "all" };
    case "set": return { wants: "set", set: things.sets[0] ?? null };
    case "answered":
    case "right": return { wants: kind, question: null };
    case "watched": return { wants: "watched", media: things.media[0] ?? null, share: 0.95 };
    case "dialogue": return { wants: "dialogue", dialogue: null, every: false };
    case "time": return { wants: "time", seconds: 10 };
    case "condition": return { wants: "condition", condition: true };
  }
}

function WantedWords({ wanted, things, onChange }: { wanted: Wanted; things: Things; onChange: (wanted: Wanted) => void }): ReactNode {
  const named = (ids: readonly string[]): [string, string][] => ids.map((id) => [id, things.name(id)]);
  return (
    <>
      <WordChoice label={t("requirement")} value={wanted.wants} options={offered(things, wanted.wants)} onChange={(kind) => onChange(newWanted(kind as Wanted["wants"], things))} />
      {wanted.wants === "set" && <WordChoice label={t("set")} tone="what" value={wanted.set ?? ""} options={named(things.sets)} onChange={(set) => onChange({ ...wanted, set })} />}
      {(wanted.wants === "answered" || wanted.wants === "right") && (
        <WordChoice label={t("question")} tone="what" value={wanted.question ?? ""} options={[["", t("allOfThisSlide")], ...named(things.questions)]} onChange={(question) => onChange({ ...wanted, question: question || null })} />
      )}
      {wanted.wants === "watched" && (
        <>
          <WordChoice label={t("videoOrAudio")} tone="what" value={wanted.media ?? ""} options={named(things.media)} onChange={(media) => onChange({ ...wanted, media })} />
          <WordField label={t("watchedShareInPerCent")} number value={Math.round(wanted.share * 100)} onChange={(share) => onChange({ ...wanted, share: Math.min(Math.max(Number(share) / 100, 0), 1) })} />
          <span>%</span>
        </>
      )}
      {wanted.wants === "dialogue" && (
        <>
          <WordChoice label={t("dialogue")} tone="what" value={wanted.dialogue ?? ""} options={[["", t("allOfThisSlide")], ...named(things.dialogues)]} onChange={(dialogue) => onChange({ ...wanted, dialogue: dialogue || null })} />
          <WordChoice label={t("endings")} value={wanted.every ? "every" : "one"} options={[["one", t("onceToAnyEnding")], ["every", t("toEveryEnding")]]} onChange={(every) => onChange({ ...wanted, every: every === "every" })} />
        </>
      )}
      {wanted.wants === "time" && (
        <>
          <WordField label={t("seconds")} number value={wanted.seconds} onChange={(seconds) => onChange({ ...wanted, seconds: Math.max(Number(seconds), 0) })} />
          <span>{t("seconds2")}</span>
        </>
      )}
      {wanted.wants === "condition" && (
        <Box w="100%"><ConditionEditor condition={wanted.condition} things={things} onChange={(condition) => onChange({ ...wanted, condition })} /></Box>
      )}
      {wanted.wants === "watched" && !things.media.length && <Text color="brick" fontSize="12.5px">{t("thereIsNoVideoOr")}</Text>}
    </>
  );
}
