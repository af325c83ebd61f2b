/** A dialogue as learners meet it: who speaks, what was said, and what they may reply. */
import { useLayoutEffect, useMemo, useRef, useState, type CSSProperties, type ReactNode } from "react";
import { createPortal } from "react-dom";
import { WIDE_DIALOGUE } from "../../../api/tables";
import type { ProgramDialogue, ProgramElement, SaidEntry, Theme } from "../../../api/types";
import { choiceOrder, isVisible } from "../../engine/engine";
import type { Index } from "../../engine/program";
import { own } from "../../engine/own";
import type { State } from "../../engine/state";
import { toNumber, toText } from "../../engine/values";
import { useActing } from "../acting";
import { useSay } from "../speech";
import { themeVariables } from "../theme";
import { SMALLEST } from "./measures";
import { ReplyButton } from "./ReplyButton";
import { SaidLog } from "./SaidLog";
import { entriesOf, isBeginning, membersOf, sceneOf } from "./scene";
import { SceneView } from "./SceneView";
import { TimeToReply } from "./TimeToReply";
import { useAppearing, type Line } from "./useAppearing";
import { useArriving } from "./useArriving";

interface Props { dialogue: ProgramDialogue; theme: Theme }

/** What a rule starts is not there before. */
export function LiveDialogue(props: Props): ReactNode {
  return useBegun(props.dialogue) && <Placed {...props} />;
}

/** In its box on the slide; where that would be too small to read, over all of the slide. */
function Placed({ dialogue, theme }: Props): ReactNode {
  const { scale } = useActing();
  const say = useSay();
  const box = useRef<HTMLDivElement>(null);
  const frame = useFrame(box);
  const [away, setAway] = useState(false);
  const small = scale > 0 && scale < SMALLEST && frame !== null;
  const { x, y, w, h, title } = dialogue;
  const place = { left: x, top: y, width: w, height: h, "--zz-scale": scale || 1 } as CSSProperties;
  return (
    <div ref={box} className="zz-dialogue-place" style={place} data-dialogue={dialogue.id}>
      {!small && <><Title /><Talk dialogue={dialogue} wide={w >= h * WIDE_DIALOGUE} /></>}
      {small && away && <button type="button" className="zz-to-talk" onClick={() => setAway(false)}>{say("to_the_conversation", { title })}</button>}
      {small && !away && createPortal(<Over dialogue={dialogue} theme={theme} onAway={() => setAway(true)} />, frame)}
    </div>
  );
}

/** Whether there is anything to see of it. */
function useBegun({ said, buttons, again }: ProgramDialogue): boolean {
  const { index, state } = useActing();
  return toText(own(state.variables, said) ?? "") !== "" || [...buttons, again ?? ""].some((id) => id && isVisible(index, state, id));
}

/** The part of the player that shows the slide. */
function useFrame(box: { current: HTMLElement | null }): Element | null {
  const [frame, setFrame] = useState<Element | null>(null);
  useLayoutEffect(() => setFrame(box.current?.closest(".zz-view") ?? null), [box]);
  return frame;
}

/** Over all of the slide, which is there as well where it has anything else. */
function Over({ dialogue, theme, onAway }: Props & { onAway: () => void }): ReactNode {
  const { index, state } = useActing();
  const say = useSay();
  const slide = index.slides.get(state.slide ?? "");
  const members = membersOf([dialogue]);
  const alone = slide?.elements.every(({ draw }) => members.has(draw.id));
  return (
    <div className="zz-dialogue-over" style={themeVariables(theme)} data-dialogue-over={dialogue.id}>
      {!alone && <button type="button" className="zz-to-slide" onClick={onAway}>{say("to_the_slide")}</button>}
      <h1 className="zz-hidden">{slide?.title}</h1>
      <Talk dialogue={dialogue} wide={false} />
    </div>
  );
}

/** The title of the slide, for those who hear it, where the slide itself has none. */
function Title(): ReactNode {
  const { index, state } = useActing();
  const slide = index.slides.get(state.slide ?? "");
  const titled = slide?.elements.some(({ draw }) => draw.kind === "text" && draw.level === "title");
  return titled ? null : <h1 className="zz-hidden">{slide?.title}</h1>;
}

function Talk({ dialogue, wide }: { dialogue: ProgramDialogue; wide: boolean }): ReactNode {
  const { index, state } = useActing();
  const said = toText(own(state.variables, dialogue.said) ?? "");
  const entries = useMemo(() => entriesOf(dialogue, said), [dialogue, said]);
  const scene = useMemo(() => sceneOf(dialogue, entries), [dialogue, entries]);
  const media = index.mediaOn(state.slide);
  const { waits, hurry, hear, isNew } = useArriving(entries, media, isBeginning(entries));
  const buttons = buttonsOf(index, state, dialogue);
  const open = waits ? entries.slice(0, -1) : entries;
  // With the end comes what was held back.
  const shown = buttons.length ? open.filter(({ later }) => !later) : open;
  const appearing = useAppearing(said, newestLine(index, dialogue, shown), isNew, !waits && !state.paused);
  const talks = waits || !appearing.isWhole;
  const seen = scene.backdrop !== null || scene.people.length > 0;
  return (
    <div className={`zz-dialogue${wide ? " zz-wide-dialogue" : ""}${seen ? " zz-staged" : ""}`}>
      {seen && <SceneView scene={scene} media={media} />}
      <div className="zz-talk">
        {dialogue.meters.map((meter) => <Level key={meter.variable} {...meter} index={index} state={state} />)}
        <SaidLog index={index} state={state} names={dialogue.people.map(({ name }) => name)} entries={shown} appearing={appearing} hear={hear} />
        {!talks && <TimeToReply key={said} dialogue={dialogue} buttons={buttons} />}
        <Replies dialogue={dialogue} buttons={buttons} said={said} waits={talks} hurry={waits ? hurry : appearing.showAll} isPause={waits} />
      </div>
    </div>
  );
}

/** The line that was said last, without who says it; nothing where something else came last. */
function newestLine(index: Index, { appears }: ProgramDialogue, entries: readonly SaidEntry[]): Line {
  const { program: { language, media } } = index;
  const newest = entries.at(-1);
  const draw = index.elements.get(newest?.element ?? "")?.draw;
  if (!newest || draw?.kind !== "text" || newest.kind === "reply") return { text: "", language, appears, voice: undefined };
  const runs = draw.text.blocks.slice(newest.kind === "line" ? 1 : 0).flatMap((block) => block.runs);
  return { text: runs.map((run) => ("text" in run ? run.text : "")).join(""), language, appears, voice: media[newest.sound ?? ""] };
}

interface RepliesProps { dialogue: ProgramDialogue; buttons: readonly ProgramElement[]; said: string; waits: boolean; hurry: () => void; isPause: boolean }

/** The replies, what leads on, or what starts the dialogue over; while somebody speaks or pauses what ends that. */
function Replies({ dialogue, buttons, said, waits, hurry, isPause }: RepliesProps): ReactNode {
  const { index, state } = useActing();
  const say = useSay();
  const box = useRef<HTMLDivElement>(null);
  useKeptAmong(box, said);
  const atEnd = [dialogue.back, dialogue.again].flatMap((id) => index.elements.get(id ?? "") ?? []);
  return (
    <div ref={box} className="zz-replies" role="group" aria-label={say("your_replies")}>
      {waits && <button type="button" className="zz-reply-wait" onClick={hurry} aria-label={isPause ? say("continue") : undefined}>{isPause ? "…" : say("show_all")}</button>}
      {!waits && buttons.map((element) => <ReplyButton key={element.draw.id} element={element} />)}
      {!waits && atEnd.map((element) => isVisible(index, state, element.draw.id) && <ReplyButton key={element.draw.id} element={element} />)}
    </div>
  );
}

/** What leads on now. Replies stand in the order that was drawn for them. */
function buttonsOf(index: Index, state: State, dialogue: ProgramDialogue): ProgramElement[] {
  const there = dialogue.buttons.flatMap((id) => (isVisible(index, state, id) ? index.elements.get(id) ?? [] : []));
  const question = there[0]?.question;
  if (!question) return there;
  const order = choiceOrder(index, state, question);
  return there.sort((a, b) => order.indexOf(a.part ?? "") - order.indexOf(b.part ?? ""));
}

/** Where a reply had the focus that is gone, the first one that is there now has it. */
function useKeptAmong(box: { current: HTMLElement | null }, said: string): void {
  const had = useRef(false);
  useLayoutEffect(() => {
    const replies = box.current;
    if (!replies) return undefined;
    if (had.current && !replies.contains(document.activeElement)) replies.querySelector("button")?.focus({ preventScroll: true });
    const note = (): void => { had.current = replies.contains(document.activeElement); };
    note();
    document.addEventListener("focusin", note);
    return () => document.removeEventListener("focusin", note);
  }, [box, said]);
}

interface LevelProps { variable: string; low: number; high: number; index: Index; state: State }

/** A value beside the dialogue, as a bar with its name and number. */
function Level({ variable, low, high, index, state }: LevelProps): ReactNode {
  const value = toNumber(own(state.variables, variable) ?? 0);
  const share = high > low ? Math.min(Math.max((value - low) / (high - low), 0), 1) : 0;
  const name = index.variables.get(variable)?.name ?? "";
  return (
    <div className="zz-level">
      <span>{name}</span>
      <div role="meter" aria-label={name} aria-valuenow={value} aria-valuemin={low} aria-valuemax={high} className="zz-level-bar"><div style={{ width: `${share * 100}%` }} /></div>
      <span aria-hidden>{toText(value)}</span>
    </div>
  );
}
