import { X } from "lucide-react";
import { Fragment, type ReactNode } from "react";
import type { Chapter, When } from "../../api/types";
import { EVENTS, newWhen, type Owner } from "./sentences";
import type { Things } from "./things";
import { Tool } from "../../kit/Tool";
import { WordChoice, WordField } from "./Word";
import { t } from "../../words/does";

interface Props { when: When; owner: Owner; things: Things; onChange: (when: When) => void }

type EventName = When["event"];

/** The *When* of a rule: what happens, and to what. */
export function WhenWords({ when, owner, things, onChange }: Props): ReactNode {
  const choices = eventsFor(owner, things);
  const { to } = EVENTS[when.event];
  const of = "of" in when ? when.of : [];
  const verb = (
    <WordChoice
      label={t("whatHappens")} value={when.event} options={choices.map((name): [string, string] => [name, EVENTS[name].words])}
      onChange={(name) => onChange(newWhen(name as EventName, firstOf(name as EventName, owner, things, of)))}
    />
  );
  if (to === "key") {
    return <><span>{t("the")}</span><WordField label={t("key")} value={when.event === "key_pressed" ? when.key : ""} onChange={(key) => onChange({ event: "key_pressed", key: key.slice(-20) || "Enter" })} />{verb}</>;
  }
  if (when.event === "timer") {
    return (
      <>
        <WordField label={t("seconds")} number value={when.after} onChange={(after) => onChange({ ...when, after: Math.max(Number(after), 0.1) })} />
        <span>{t("seconds3")}</span>{verb}
        <WordChoice label={t("again")} value={String(when.again)} options={[["false", t("once")], ["true", t("againAndAgain")]]} onChange={(again) => onChange({ ...when, again: again === "true" })} />
      </>
    );
  }
  if (when.event === "cue_reached") {
    return <><span>{t("theTiming")}</span>{verb}<WordChoice label={t("cue")} tone="what" value={when.cue} options={cues(things)} onChange={(cue) => onChange({ ...when, cue })} /></>;
  }
  return (
    <>
      <Subject when={when} owner={owner} things={things} of={of} onChange={onChange} />
      {verb}
      {when.event === "dropped" && (
        <WordChoice
          label={t("target")} tone="what" value={when.on ?? ""} onChange={(on) => onChange({ ...when, on: on || null })}
          options={[["", t("anyTarget")], ...(things.slide?.elements ?? []).map((e): [string, string] => [e.id, e.name])]}
        />
      )}
      {when.event === "media_reached" && (
        <Moment at={when.at} chapters={chaptersOf(things, of[0] ?? owner.id)} onChange={(at) => onChange({ ...when, at })} />
      )}
    </>
  );
}

/** When in a video or audio: the begin of a chapter, or a number of seconds. */
function Moment({ at, chapters, onChange }: { at: number; chapters: readonly Chapter[]; onChange: (at: number) => void }): ReactNode {
  const here = chapters.find(({ since }) => since === Math.round(at * 1000));
  return (
    <>
      {chapters.length > 0 && (
        <WordChoice
          label={t("chapter")} tone="what" value={here ? String(here.since) : ""}
          options={[["", t("aTime")], ...chapters.map(({ since, name }): [string, string] => [String(since), name])]}
          onChange={(since) => onChange(since ? Number(since) / 1000 : at + 1)}
        />
      )}
      {!here && <><WordField label={t("seconds")} number value={at} onChange={(seconds) => onChange(Math.max(Number(seconds), 0))} /><span>{t("seconds2")}</span></>}
    </>
  );
}

function chaptersOf(things: Things, id: string): readonly Chapter[] {
  const element = things.slide?.elements.find((one) => one.id === id);
  const file = element && "media" in element ? things.course.media.find((one) => one.id === element.media) : undefined;
  return file?.chapters ?? [];
}

/** What it happens to: one thing, or any of several. */
function Subject({ when, owner, things, of, onChange }: Props & { of: readonly string[] }): ReactNode {
  const { to } = EVENTS[when.event];
  const fits = to === "element" ? owner.kind === "element" : to === owner.kind || (to === "time" && owner.kind !== "element");
  const own: [string, string][] = fits ? [["", owner.name]] : [];
  const ids = idsOf(to, things, owner).filter((id) => id !== owner.id);
  const put = (next: readonly string[]): void => onChange({ ...when, of: [...new Set(next)] } as When);
  const named = (list: readonly string[]): [string, string][] => list.map((id): [string, string] => [id, things.name(id)]);
  const chosen = of.length ? of : [""];
  const more = [...(fits ? [owner.id] : []), ...ids].filter((id) => !of.includes(id) && !(chosen[0] === "" && id === owner.id));
  return (
    <>
      {chosen.map((id, index) => (
        <Fragment key={id}>
          {index > 0 && <span>{t("or")}</span>}
          <WordChoice
            label={t("whatItHappensTo")} tone="what" value={id} options={[...(chosen.length > 1 ? named(fits ? [owner.id] : []) : own), ...named(ids)]}
            onChange={(other) => put(chosen.map((old, n) => (n === index ? other : old)).filter(Boolean))}
          />
          {chosen.length > 1 && <Tool data-changes label={t("notName", { name: things.name(id) })} onClick={() => put(chosen.filter((old) => old !== id))}><X size={12} /></Tool>}
        </Fragment>
      ))}
      {to !== "time" && more.length > 0 && (
        <span data-changes>
          <WordChoice
            label={t("orWhatElse")} tone="more" value="" options={[["", t("or2")], ...named(more)]}
            onChange={(id) => put([...chosen.map((old) => old || owner.id), id])}
          />
        </span>
      )}
    </>
  );
}

function idsOf(to: string, things: Things, owner: Owner): readonly string[] {
  switch (to) {
    case "element": return things.slide?.elements.map(({ id }) => id) ?? [];
    case "overlay": return things.overlays;
    case "question": return things.questions;
    case "set": return things.sets;
    case "variable": return things.variables;
    case "turn": return things.turns;
    case "ending": return things.endings;
    case "reply": return things.replies;
    case "quiz": return things.quizzes.map(({ id }) => id);
    case "slide": return owner.kind === "course" ? things.course.slides : [];
    default: return [];
  }
}

function cues(things: Things): [string, string][] {
  const all = [things.slide?.timing, ...(things.slide?.overlays ?? []).map(({ timing }) => timing)];
  return all.flatMap((timing) => timing?.cues ?? []).map((cue, index) => [cue.id, cue.name || t("cueIndex", { index: index + 1 })]);
}

/** The events that make sense for an owner: those for which the slide has something. */
function eventsFor(owner: Owner, things: Things): EventName[] {
  const kind = owner.kind === "element" ? owner.element : "";
  return (Object.keys(EVENTS) as EventName[]).filter((name) => {
    const { to } = EVENTS[name];
    if (owner.kind === "quiz") return to === "quiz";
    if (name === "cue_reached") return cues(things).length > 0;
    if (name === "entered") return kind === "input" || (kind === "" && things.inputs.length > 0);
    if (name.startsWith("media_")) return kind === "video" || kind === "audio" || (kind === "" && things.media.length > 0);
    if (to === "element") return owner.kind !== "course";
    if (to === "slide") return owner.kind === "slide" || owner.kind === "course";
    if (to === "time" || to === "key") return true;
    return idsOf(to, things, owner).length > 0;
  });
}

/** What a new event happens to: the owner where it can, else the first thing of its kind. */
function firstOf(name: EventName, owner: Owner, things: Things, before: readonly string[]): string[] {
  const { to } = EVENTS[name];
  if (to === "element" && (owner.kind === "element" || before.length)) return [...before];
  if (to === owner.kind || to === "time" || to === "key" || to === "slide") return [];
  const first = idsOf(to, things, owner)[0];
  return first ? [first] : [];
}
