import type { ReactNode } from "react";
import { LOOKS } from "../../api/tables";
import type { Destination, RuleAction } from "../../api/types";
import { ExpressionField } from "./ExpressionField";
import { ACTIONS, newAction } from "./sentences";
import type { Things } from "./things";
import { WordChoice, WordField } from "./Word";
import { t } from "../../words/does";

interface Props { action: RuleAction; things: Things; onChange: (action: RuleAction) => void }

/** One action of a sentence: its verb, and what it needs. */
export function ActionEditor({ action, things, onChange }: Props): ReactNode {
  return (
    <>
      <WordChoice
        label={t("whatToDo")} value={action.action} groups={verbs(things)}
        onChange={(name) => { const made = newAction(name as RuleAction["action"], things); if (made) onChange(made); }}
      />
      <Rest action={action} things={things} onChange={onChange} />
    </>
  );
}

/** The verbs, without those for which there is nothing. */
export function verbs(things: Things): { label: string; options: [string, string][] }[] {
  return ACTIONS.map(([label, actions]) => ({
    label, options: actions.filter(([name]) => newAction(name, things) !== null).map(([name, word]) => [name, word]),
  }));
}

interface Editing { things: Things; onChange: (action: RuleAction) => void }
type Editors = { readonly [A in RuleAction as A["action"]]: (action: A, editing: Editing) => ReactNode };

function Rest({ action, things, onChange }: Props): ReactNode {
  return (EDITORS[action.action] as (action: RuleAction, editing: Editing) => ReactNode)(action, { things, onChange });
}

/** One of some things, by name. */
function What(
  { ids, value, put, things, onChange }: Editing & { ids: readonly string[]; value: string; put: (id: string) => RuleAction },
): ReactNode {
  return (
    <WordChoice
      label={t("what")} tone="what" value={value} options={ids.map((id): [string, string] => [id, things.name(id)])}
      onChange={(id) => onChange(put(id))}
    />
  );
}

type Shows = Extract<RuleAction, { action: "show" | "hide" | "toggle" }>;
type Plays = Extract<RuleAction, { action: "play" | "pause" | "seek" }>;
type Times = Extract<RuleAction, { action: "start_timing" | "stop_timing" | "restart_timing" }>;
type Asks = Extract<RuleAction, { action: "submit" | "reset" }>;

function enables(action: Extract<RuleAction, { action: "enable" | "disable" }>, editing: Editing): ReactNode {
  return <What {...editing} ids={["this", ...editing.things.usable]} value={action.what} put={(what) => ({ ...action, what })} />;
}

function shows(action: Shows, editing: Editing): ReactNode {
  return <What {...editing} ids={["this", ...editing.things.things]} value={action.what} put={(what) => ({ ...action, what })} />;
}

/** Looks that rules may give; those of the pointer and the keyboard come by themselves. */
const GIVEN_LOOKS = LOOKS.filter((look) => !["default", "focus", "dragged"].includes(look));

function looks(action: Extract<RuleAction, { action: "look" }>, editing: Editing): ReactNode {
  const elements = editing.things.slide?.elements ?? [];
  const element = elements.find(({ id }) => id === action.what);
  const own = Object.entries(element?.looks ?? {}).flatMap(([id, patch]): [string, string][] => (patch.name ? [[id, patch.name]] : []));
  const given = GIVEN_LOOKS.map((look): [string, string] => [look, look]);
  return (
    <>
      <What {...editing} ids={["this", ...elements.map(({ id }) => id)]} value={action.what} put={(what) => ({ ...action, what })} />
      <WordChoice
        label={t("look")} value={action.look ?? ""} options={[["", t("itsOwnLookAgain")], ...own, ...given]}
        onChange={(look) => editing.onChange({ ...action, look: look || null })}
      />
    </>
  );
}

const BETWEEN = { set: "to", add: t("theNumber"), multiply: "by" };

function calculates(action: Calculation, editing: Editing): ReactNode {
  return (
    <>
      <What {...editing} ids={editing.things.variables} value={action.variable} put={(variable) => ({ ...action, variable })} />
      <span>{BETWEEN[action.action]}</span>
      <ValueWord action={action} {...editing} />
    </>
  );
}

function picks(action: Extract<RuleAction, { action: "pick" }>, editing: Editing): ReactNode {
  const { things, onChange } = editing;
  return (
    <>
      <span>{t("for")}</span>
      <What {...editing} ids={things.variables} value={action.variable} put={(variable) => ({ ...action, variable })} />
      {things.variable(action.variable)?.type === "text" ? (
        <>
          <span>{t("oneOf")}</span>
          <WordField
            label={t("textsWithCommasBetween")} hint={t("redGreenBlue")} value={action.texts.join(", ")}
            onChange={(texts) => onChange({ ...action, texts: texts.split(/,\s?/).slice(0, 100) })}
          />
        </>
      ) : (
        <>
          <span>{t("from")}</span>
          <WordField label={t("from2")} number value={action.low} onChange={(low) => onChange({ ...action, low: Number(low) })} />
          <span>{t("to")}</span>
          <WordField label={t("to2")} number value={action.high} onChange={(high) => onChange({ ...action, high: Number(high) })} />
        </>
      )}
    </>
  );
}

function plays(action: Plays, editing: Editing): ReactNode {
  return <What {...editing} ids={editing.things.media} value={action.what} put={(what) => ({ ...action, what })} />;
}

function times(action: Times, { things, onChange }: Editing): ReactNode {
  const overlays = things.overlays.map((id): [string, string] => [id, things.name(id)]);
  return (
    <WordChoice
      label={t("timingOf")} tone="what" value={action.of ?? ""} options={[["", t("theSlide")], ...overlays]}
      onChange={(of) => onChange({ ...action, of: of || null })}
    />
  );
}

function asks(action: Asks, editing: Editing): ReactNode {
  return <What {...editing} ids={editing.things.questions} value={action.question} put={(question) => ({ ...action, question })} />;
}

function startsOver(action: Extract<RuleAction, { action: "start_over" }>, { onChange, things }: Editing): ReactNode {
  const dialogues = things.dialogues.map((id): [string, string] => [`dialogue ${id}`, things.name(id)]);
  function choose(value: string): void {
    const [what = "slide", dialogue = null] = value.split(" ");
    onChange({ ...action, what: what as typeof action.what, dialogue });
  }
  return (
    <>
      <WordChoice
        label={t("whatToStartOver")} tone="what" value={action.what === "dialogue" ? `dialogue ${action.dialogue ?? things.dialogues[0] ?? ""}` : action.what}
        options={[["slide", t("thisSlide")], ["section", t("thisSection")], ["quiz", t("theQuiz")], ["course", t("theCourse")], ...dialogues]}
        onChange={choose}
      />
      <WordChoice
        label={t("whatIsCleared")} value={action.keep.join()} onChange={(keep) => onChange({ ...action, keep: (keep ? keep.split(",") : []) as typeof action.keep })}
        options={[
          ["", t("andClearAllAnswersVariables")], ["variables", t("butKeepTheVariables")],
          ["answers", t("butKeepTheAnswers")], ["seen", t("butKeepWhatWasSeen")],
          ["variables,answers", t("butKeepVariablesAndAnswers")],
        ]}
      />
    </>
  );
}

/** What each action needs besides its verb. */
const EDITORS: Editors = {
  go: (action, { things, onChange }) => <GoWord go={action.go} things={things} onChange={(go) => onChange({ ...action, go })} />,
  show: shows, hide: shows, toggle: shows, enable: enables, disable: enables, look: looks,
  set: calculates, add: calculates, multiply: calculates,
  switch: (action, editing) => (
    <What {...editing} ids={editing.things.variables} value={action.variable} put={(variable) => ({ ...action, variable })} />
  ),
  pick: picks,
  take: (action, editing) => (
    <>
      <What {...editing} ids={editing.things.inputs} value={action.input} put={(input) => ({ ...action, input })} />
      <span>{t("in")}</span>
      <What {...editing} ids={editing.things.variables} value={action.variable} put={(variable) => ({ ...action, variable })} />
    </>
  ),
  play: plays, pause: plays,
  seek: (action, editing) => (
    <>
      <What {...editing} ids={editing.things.media} value={action.what} put={(what) => ({ ...action, what })} />
      <span>{t("toSecond")}</span>
      <WordField label={t("second")} number value={action.at} onChange={(at) => editing.onChange({ ...action, at: Math.max(Number(at), 0) })} />
    </>
  ),
  move: (action, { things, onChange }) => (
    <WordChoice
      label={t("move")} tone="what" value={`${action.what} ${action.move}`}
      options={things.moving.map(([element, move]): [string, string] => [`${element} ${move}`, moveName(things, element, move)])}
      onChange={(value) => { const [element = "", move = ""] = value.split(" "); onChange({ ...action, what: element, move }); }}
    />
  ),
  start_timing: times, stop_timing: times, restart_timing: times,
  submit: asks, reset: asks, start_over: startsOver,
  mark: (action, { onChange }) => (
    <WordChoice
      label={t("status")} value={action.status} options={[["completed", t("completed")], ["passed", t("passed")], ["failed", t("failed")]]}
      onChange={(status) => onChange({ ...action, status: status as typeof action.status })}
    />
  ),
  link: (action, { onChange }) => <WordField label={t("address")} hint="https://…" value={action.address} onChange={(address) => { if (isAddress(address)) onChange({ ...action, address: address.length < 9 ? "" : address }); }} />,
  print: () => null,
  announce: (action, { onChange }) => <WordField label={t("textToAnnounce")} hint={t("textToAnnounce2")} value={action.text} onChange={(text) => onChange({ ...action, text })} />,
  sound: (action, editing) => <What {...editing} ids={editing.things.sounds} value={action.media ?? ""} put={(media) => ({ ...action, media })} />,
  wait: (action, { onChange }) => (
    <>
      <WordField label={t("seconds")} number value={action.seconds} onChange={(seconds) => onChange({ ...action, seconds: Math.max(Number(seconds), 0.1) })} />
      <span>{t("secondsThenContinue")}</span>
    </>
  ),
};

/** Whether it is an address to open, or the beginning of one. */
function isAddress(text: string): boolean {
  return /^(https:\/\/[^\s"'<>]*)?$/.test(text) || "https://".startsWith(text);
}

function moveName(things: Things, element: string, move: string): string {
  const moves = things.slide?.elements.find(({ id }) => id === element)?.moves ?? [];
  return `${things.name(element)}: ${moves.find(({ id }) => id === move)?.name ?? t("aMove")}`;
}

function GoWord({ go, things, onChange }: { go: Destination; things: Things; onChange: (go: Destination) => void }): ReactNode {
  const value = go.to === "slide" ? go.slide : go.to;
  return (
    <WordChoice
      label={t("whereToGo")} value={value}
      options={[["next", t("theNextSlide")], ["previous", t("thePreviousSlide")], ["leave", t("theEndLeaveTheCourse")]]}
      groups={[{ label: t("aCertainSlide"), options: things.course.slides.map((id): [string, string] => [id, things.name(id)]) }]}
      onChange={(key) => onChange(key === "next" || key === "previous" || key === "leave" ? { to: key } : { to: "slide", slide: key })}
    />
  );
}

type Calculation = Extract<RuleAction, { action: "set" | "add" | "multiply" }>;

/** A value as it is, or that of another variable. */
function ValueWord({ action, things, onChange }: { action: Calculation; things: Things; onChange: (action: RuleAction) => void }): ReactNode {
  const type = things.variable(action.variable)?.type ?? "number";
  const other = Array.isArray(action.value) && action.value[0] === "variable" ? String(action.value[1]) : null;
  const put = (value: unknown): void => onChange({ ...action, value });
  const source = (
    <WordChoice
      label={t("kindOfValue")} value={other ?? (Array.isArray(action.value) ? "=" : "")}
      options={[["", type === "yes_no" ? "just" : t("theValue")], ["=", t("whatThisGives")]]}
      groups={[{ label: t("thatOfAVariable"), options: things.variables.map((id): [string, string] => [id, things.name(id)]) }]}
      onChange={(id) => put(
        id === "=" ? ["+", ["variable", action.variable], 1] : id ? ["variable", id]
          : type === "yes_no" ? true : type === "text" ? "" : 1,
      )}
    />
  );
  if (other !== null) return source;
  if (Array.isArray(action.value)) {
    return <>{source}<ExpressionField label={t("expression")} node={action.value} things={things} onChange={put} /></>;
  }
  const value = action.value as string | number | boolean;
  return (
    <>
      {type === "yes_no" && action.action === "set" ? (
        <WordChoice label={t("value")} value={String(Boolean(value))} options={[["true", t("yes")], ["false", t("no")]]} onChange={(key) => put(key === "true")} />
      ) : (
        <WordField label={t("value")} number={type === "number"} value={String(value)} onChange={(text) => put(type === "number" ? Number(text) : text)} />
      )}
      {source}
    </>
  );
}
