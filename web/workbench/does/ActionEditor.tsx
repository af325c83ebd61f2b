/** One action of a sentence: its verb, and what it needs. */
import type { ReactNode } from "react";
import type { Destination, RuleAction } from "../../api/types";
import { ExpressionField } from "./ExpressionField";
import { ACTIONS, newAction } from "./sentences";
import type { Things } from "./things";
import { WordChoice, WordField } from "./Word";

interface Props { action: RuleAction; things: Things; onChange: (action: RuleAction) => void }

export function ActionEditor({ action, things, onChange }: Props): ReactNode {
  return (
    <>
      <WordChoice
        label="What to do" value={action.action} groups={verbs(things)}
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

function Rest({ action, things, onChange }: Props): ReactNode {
  const named = (ids: readonly string[]): [string, string][] => ids.map((id) => [id, things.name(id)]);
  const what = (ids: readonly string[], value: string, put: (id: string) => RuleAction): ReactNode => (
    <WordChoice label="What" tone="what" value={value} options={named(ids)} onChange={(id) => onChange(put(id))} />
  );
  switch (action.action) {
    case "go": return <GoWord go={action.go} things={things} onChange={(go) => onChange({ ...action, go })} />;
    case "show":
    case "hide":
    case "toggle": return what(["this", ...things.things], action.what, (id) => ({ ...action, what: id }));
    case "look": {
      const element = things.slide?.elements.find(({ id }) => id === action.what);
      const own = Object.entries(element?.looks ?? {}).flatMap(([id, patch]): [string, string][] => (patch.name ? [[id, patch.name]] : []));
      const given = ["hover", "pressed", "visited", "selected", "disabled"].map((look): [string, string] => [look, look]);
      return (
        <>
          {what(["this", ...(things.slide?.elements.map(({ id }) => id) ?? [])], action.what, (id) => ({ ...action, what: id }))}
          <WordChoice
            label="Look" value={action.look ?? ""} options={[["", "its own again"], ...own, ...given]}
            onChange={(look) => onChange({ ...action, look: look || null })}
          />
        </>
      );
    }
    case "set":
    case "add":
    case "multiply": return (
      <>
        {what(things.variables, action.variable, (id) => ({ ...action, variable: id }))}
        <span>{action.action === "set" ? "to" : action.action === "add" ? "the number" : "by"}</span>
        <ValueWord action={action} things={things} onChange={onChange} />
      </>
    );
    case "switch": return what(things.variables, action.variable, (id) => ({ ...action, variable: id }));
    case "pick": return (
      <>
        <span>for</span>
        {what(things.variables, action.variable, (id) => ({ ...action, variable: id }))}
        {things.variable(action.variable)?.type === "text" ? (
          <>
            <span>one of</span>
            <WordField
              label="Texts, with commas between" hint="red, green, blue" value={action.texts.join(", ")}
              onChange={(texts) => onChange({ ...action, texts: texts.split(/,\s?/).slice(0, 100) })}
            />
          </>
        ) : (
          <>
            <span>from</span>
            <WordField label="From" number value={action.low} onChange={(low) => onChange({ ...action, low: Number(low) })} />
            <span>to</span>
            <WordField label="To" number value={action.high} onChange={(high) => onChange({ ...action, high: Number(high) })} />
          </>
        )}
      </>
    );
    case "take": return (
      <>
        {what(things.inputs, action.input, (id) => ({ ...action, input: id }))}
        <span>into</span>
        {what(things.variables, action.variable, (id) => ({ ...action, variable: id }))}
      </>
    );
    case "play":
    case "pause": return what(things.media, action.what, (id) => ({ ...action, what: id }));
    case "seek": return (
      <>
        {what(things.media, action.what, (id) => ({ ...action, what: id }))}
        <span>to second</span>
        <WordField label="Second" number value={action.at} onChange={(at) => onChange({ ...action, at: Math.max(Number(at), 0) })} />
      </>
    );
    case "move": return (
      <WordChoice
        label="Move" tone="what" value={`${action.what} ${action.move}`}
        options={things.moving.map(([element, move]): [string, string] => [`${element} ${move}`, moveName(things, element, move)])}
        onChange={(value) => { const [element = "", move = ""] = value.split(" "); onChange({ ...action, what: element, move }); }}
      />
    );
    case "start_timing":
    case "stop_timing":
    case "restart_timing": return (
      <WordChoice
        label="Whose timing" tone="what" value={action.of ?? ""} options={[["", "the slide"], ...named(things.overlays)]}
        onChange={(of) => onChange({ ...action, of: of || null })}
      />
    );
    case "submit":
    case "reset": return what(things.questions, action.question, (id) => ({ ...action, question: id }));
    case "start_over": return (
      <>
        <WordChoice
          label="What to start over" tone="what" value={action.what}
          options={[["slide", "this slide"], ["section", "this section"], ["quiz", "the quiz"], ["course", "the course"]]}
          onChange={(value) => onChange({ ...action, what: value as typeof action.what })}
        />
        <WordChoice
          label="What is cleared" value={action.keep.join()} onChange={(keep) => onChange({ ...action, keep: (keep ? keep.split(",") : []) as typeof action.keep })}
          options={[
            ["", "and clear all: answers, variables, what was seen"], ["variables", "but keep the variables"],
            ["answers", "but keep the answers"], ["seen", "but keep what was seen"],
            ["variables,answers", "but keep variables and answers"],
          ]}
        />
      </>
    );
    case "mark": return (
      <WordChoice
        label="Status" value={action.status} options={[["completed", "completed"], ["passed", "passed"], ["failed", "failed"]]}
        onChange={(status) => onChange({ ...action, status: status as typeof action.status })}
      />
    );
    case "link": return <WordField label="Address" hint="https://…" value={action.address} onChange={(address) => { if (/^(https:\/\/[^\s"'<>]*)?$/.test(address) || "https://".startsWith(address)) onChange({ ...action, address: address.length < 9 ? "" : address }); }} />;
    case "announce": return <WordField label="Words to say" hint="words to say" value={action.text} onChange={(text) => onChange({ ...action, text })} />;
    case "sound": return what(things.sounds, action.media ?? "", (media) => ({ ...action, media }));
    case "wait": return (
      <>
        <WordField label="Seconds" number value={action.seconds} onChange={(seconds) => onChange({ ...action, seconds: Math.max(Number(seconds), 0.1) })} />
        <span>seconds, then go on</span>
      </>
    );
  }
}

function moveName(things: Things, element: string, move: string): string {
  const moves = things.slide?.elements.find(({ id }) => id === element)?.moves ?? [];
  return `${things.name(element)}: ${moves.find(({ id }) => id === move)?.name ?? "a move"}`;
}

function GoWord({ go, things, onChange }: { go: Destination; things: Things; onChange: (go: Destination) => void }): ReactNode {
  const value = go.to === "slide" ? go.slide : go.to;
  return (
    <WordChoice
      label="Where to go" value={value}
      options={[["next", "the next slide"], ["previous", "the previous slide"], ["leave", "the end: leave the course"]]}
      groups={[{ label: "A certain slide", options: things.course.slides.map((id): [string, string] => [id, things.name(id)]) }]}
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
      label="Kind of value" value={other ?? (Array.isArray(action.value) ? "=" : "")}
      options={[["", type === "yes_no" ? "just" : "the value"], ["=", "what this gives:"]]}
      groups={[{ label: "That of a variable", options: things.variables.map((id): [string, string] => [id, things.name(id)]) }]}
      onChange={(id) => put(
        id === "=" ? ["+", ["variable", action.variable], 1] : id ? ["variable", id]
          : type === "yes_no" ? true : type === "text" ? "" : 1,
      )}
    />
  );
  if (other !== null) return source;
  if (Array.isArray(action.value)) {
    return <>{source}<ExpressionField label="Expression" node={action.value} things={things} onChange={put} /></>;
  }
  const value = action.value as string | number | boolean;
  return (
    <>
      {type === "yes_no" && action.action === "set" ? (
        <WordChoice label="Value" value={String(Boolean(value))} options={[["true", "yes"], ["false", "no"]]} onChange={(key) => put(key === "true")} />
      ) : (
        <WordField label="Value" number={type === "number"} value={String(value)} onChange={(text) => put(type === "number" ? Number(text) : text)} />
      )}
      {source}
    </>
  );
}
