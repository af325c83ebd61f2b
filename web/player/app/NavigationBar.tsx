import { useState, useSyncExternalStore, type ReactNode } from "react";
import type { Navigation, ProgramSlide } from "../../api/types";
import { gateIsOpen, slideBefore } from "../engine/engine";
import type { Index } from "../engine/program";
import { takingOf } from "../engine/quizResults";
import type { State } from "../engine/state";
import { movesLong } from "../render/motion";
import { useSay } from "../render/speech";
import { captionsWanted, onCaptions, setCaptions, setVolume } from "../render/players";
import { QuizButtons } from "./Overview";
import { QuizClock } from "./QuizClock";
import { isBackgroundOff, onBackground, switchBackground } from "../render/background";
import type { Session } from "./session";
import { soundOn } from "./useBackground";
import type { OpenPanels } from "./usePanels";
import type { Size } from "./useScale";

interface Props {
  session: Session;
  state: State;
  slide: ProgramSlide;
  size: Size;
  panels: OpenPanels;
}

/** The learner's way through the course: menu, progress, back and next, and how things play. */
export function NavigationBar(
  { session, state, slide, size, panels }: Props,
): ReactNode {
  const { index } = session;
  const { say } = index;
  const has = (part: keyof Navigation): boolean => Boolean(
    (part === "order" ? null : slide.navigation[part]) ?? index.program.navigation[part],
  );
  return (
    <nav className="zz-bar" aria-label={say("course")}>
      {has("menu") && (
        <button type="button" data-opens="menu" aria-expanded={panels.isOpen("menu")} onClick={() => panels.toggle("menu")}>
          <svg width="20" height="20" viewBox="0 0 20 20" aria-hidden>
            <path d="M2 5h16M2 10h16M2 15h16" stroke="currentColor" strokeWidth="2" />
          </svg>
          <span className="zz-wide">{say("slides")}</span>
        </button>
      )}
      {has("progress") && <Progress index={index} state={state} slide={slide} />}
      <QuizClock index={index} state={state} />
      <QuizButtons {...{ index, state }} dispatch={session.dispatch} panels={panels} />
      <span className="zz-space" />
      <SizeButtons size={size} />
      {state.back && (
        <button type="button" className="zz-main" onClick={() => session.dispatch({ event: "slide", target: state.back ?? "" })}>
          {say("back_to_question")}
        </button>
      )}
      {isExtendable(index, state, slide) && <MoreTime session={session} state={state} />}
      <PauseButton session={session} state={state} slide={slide} />
      <MediaControls session={session} state={state} index={index} slide={slide} has={has} />
      {has("full_screen") && document.fullscreenEnabled && <FullScreen />}
      {slide.transcript && has("transcript") && (
        <button type="button" data-opens="transcript" aria-expanded={panels.isOpen("transcript")} onClick={() => panels.toggle("transcript")}>
          {say("transcript")}
        </button>
      )}
      <span className="zz-way">
        {has("previous") && (
          <button
            type="button" disabled={slideBefore(index, state) === null}
            onClick={() => session.dispatch({ event: "previous" })}
          >
            {say("back")}
          </button>
        )}
        {has("next") && <Next session={session} state={state} slide={slide} />}
      </span>
    </nav>
  );
}

/** Whether there is a time limit here that learners may make longer: of a question, or of the quiz. */
function isExtendable(index: Index, state: State, slide: ProgramSlide): boolean {
  const quiz = index.quizOf.get(slide.id);
  const ofQuiz = quiz?.time_limit && quiz.extendable && !takingOf(state, quiz).finished;
  const ofReplies = slide.dialogues.some(({ entries }) => entries.some(({ kind, ms }) => kind === "reply" && ms > 0));
  return Boolean(ofQuiz) || ofReplies || Boolean(index.timed.get(slide.id)?.some(({ extendable }) => extendable));
}

/** Where the learner is, and how much was seen. */
function Progress({ index, state, slide }: { index: Index; state: State; slide: ProgramSlide }): ReactNode {
  const { slides, position } = index.ordered(state.draws);
  const count = slides.length;
  const n = (position.get(slide.id) ?? 0) + 1;
  return (
    <>
      <span className="zz-place">
        <span className="zz-not-small">{index.say("place", { n, count })}</span>
        <span className="zz-small">{index.say("place_short", { n, count })}</span>
      </span>
      <progress
        className="zz-progress" max={count} value={state.visited.length}
        aria-label={index.say("slides_seen", { seen: state.visited.length, count })}
      />
    </>
  );
}

/** How videos and sounds of the slide play, and its timing, where it has some. */
function MediaControls(
  { session, state, index, slide, has }: Pick<Props, "session" | "state" | "slide"> & { index: Index; has: (part: keyof Navigation) => boolean },
): ReactNode {
  const playing = [slide, ...slide.overlays].flatMap(({ elements }) => (
    elements.flatMap(({ draw }) => (draw.kind === "video" || draw.kind === "audio" ? [draw.media] : []))
  ));
  const timed = [slide, ...slide.overlays].some(({ clock, elements }) => clock || elements.some(({ draw }) => draw.moves.length));
  const behind = Boolean(soundOn(index, slide.id));
  if (!playing.length && !timed && !behind) return null;
  const captioned = playing.some((file) => index.program.media[file ?? ""]?.captions.length);
  return (
    <>
      {captioned && has("captions") && <CaptionsSwitch />}
      {behind && <BackgroundSwitch />}
      {(playing.length > 0 || behind) && has("volume") && <Volume />}
      {(playing.length > 0 || timed) && has("speed") && <Speed session={session} state={state} />}
    </>
  );
}

/** The slide larger than it fits, and whole again. */
function SizeButtons({ size: { times, larger, smaller } }: { size: Size }): ReactNode {
  const say = useSay();
  const button = (name: string, sign: string, act: (() => void) | null): ReactNode => (
    <button
      type="button" className="zz-size" aria-label={say("size_now", { name, percent: times * 100 })} title={name}
      aria-disabled={!act} onClick={() => act?.()}
    >
      <svg width="20" height="20" viewBox="0 0 20 20" fill="none" stroke="currentColor" strokeWidth="2" aria-hidden>
        <path d={`M13 13l5 5M8 1.5a6.5 6.5 0 1 0 0 13a6.5 6.5 0 1 0 0-13${sign}`} />
      </svg>
    </button>
  );
  return (
    <>
      {times > 1 && button(say("smaller_slide"), "M5 8h6", smaller)}
      {button(say("larger_slide"), "M5 8h6M8 5v6", larger)}
    </>
  );
}

/** Next, as the slide's gate has it: there, gone, switched off, or answering with a message. */
function Next({ session, state, slide }: Pick<Props, "session" | "state" | "slide">): ReactNode {
  const { index } = session;
  const open = gateIsOpen(index, state, slide.id);
  const meanwhile = slide.gate?.meanwhile;
  if (!open && meanwhile === "hidden") return null;
  const leads = Boolean(index.ordered(state.draws).onward.get(slide.id)) || slide.forks.length > 0;
  const waits = !open && meanwhile === "message";
  const off = !open && meanwhile === "disabled";
  // Switched off it still has the focus and says why.
  return (
    <button
      type="button" className={`zz-main${waits ? " zz-waits" : ""}`} disabled={!leads}
      aria-disabled={off || undefined} title={off ? slide.gate?.message || index.say("still_to_do") : undefined}
      onClick={() => session.dispatch({ event: "next" })}
    >
      {index.say("next")}
    </button>
  );
}

const TIMES = [[1, "time_as_set"], [1.5, "time_half_more"], [2, "time_twice"], [0, "time_unlimited"]] as const;

/** Whoever needs more time can have it (WCAG 2.2.1). */
function MoreTime({ session, state }: Pick<Props, "session" | "state">): ReactNode {
  return (
    <select
      aria-label={session.index.say("time_for_questions")} value={state.more_time}
      onChange={(event) => session.dispatch({ event: "more_time", factor: Number(event.target.value) })}
    >
      {TIMES.map(([factor, words]) => <option key={factor} value={factor}>{session.index.say(words)}</option>)}
    </select>
  );
}

const LONG_MS = 5_000;

/** What moves by itself for longer than five seconds can be paused (WCAG 2.2.2). */
function PauseButton({ session, state, slide }: Pick<Props, "session" | "state" | "slide">): ReactNode {
  const long = isLong(session.index, state) || movesLong(
    [slide, ...slide.overlays.filter(({ id }) => state.overlays.includes(id))]
      .flatMap(({ elements }) => elements.map(({ draw }) => draw)),
  );
  if (!long) return null;
  return (
    <button type="button" onClick={() => session.dispatch({ event: "pause", on: state.paused })}>
      {session.index.say(state.paused ? "play" : "pause")}
    </button>
  );
}

function isLong(index: Index, state: State): boolean {
  return Object.keys(state.clocks).some((owner) => {
    const clock = index.clocks.get(owner);
    return clock !== undefined && (clock.repeats || clock.length > LONG_MS);
  });
}

function CaptionsSwitch(): ReactNode {
  const say = useSay();
  const shown = useSyncExternalStore(onCaptions, captionsWanted);
  return (
    <button type="button" aria-pressed={shown} onClick={() => setCaptions(!shown)}>{say("captions")}</button>
  );
}

/** Sound that begins by itself can be switched off, whatever else the course shows (WCAG 1.4.2). */
function BackgroundSwitch(): ReactNode {
  const say = useSay();
  const off = useSyncExternalStore(onBackground, isBackgroundOff);
  return (
    <button type="button" className="zz-size" aria-pressed={!off} aria-label={say("background_sound")} title={say("background_sound")} onClick={() => switchBackground(off)}>
      <svg width="20" height="20" viewBox="0 0 20 20" fill="none" stroke="currentColor" strokeWidth="2" aria-hidden>
        <path d={`M7 15V4l9-2v11${off ? "M2 2l16 16" : ""}`} />
        <circle cx="4.5" cy="15" r="2.5" />
        <circle cx="13.5" cy="13" r="2.5" />
      </svg>
    </button>
  );
}

function Volume(): ReactNode {
  const say = useSay();
  const [volume, change] = useState(1);
  return (
    <label className="zz-volume">
      <span className="zz-wide">{say("volume")}</span>
      <input
        type="range" min={0} max={1} step={0.1} value={volume} aria-label={say("volume")}
        onChange={(event) => { change(Number(event.target.value)); setVolume(Number(event.target.value)); }}
      />
    </label>
  );
}

/** How fast timing, moves, videos and audio run. */
function Speed({ session, state }: Pick<Props, "session" | "state">): ReactNode {
  return (
    <select
      aria-label={session.index.say("speed")} value={state.speed}
      onChange={(event) => session.dispatch({ event: "speed", percent: Number(event.target.value) })}
    >
      {[75, 100, 125, 150, 200].map((percent) => <option key={percent} value={percent}>{percent / 100} ×</option>)}
    </select>
  );
}

function FullScreen(): ReactNode {
  const say = useSay();
  return (
    <button
      type="button" className="zz-wide-only"
      onClick={() => void (document.fullscreenElement
        ? document.exitFullscreen() : document.documentElement.requestFullscreen())}
    >
      {say("full_screen")}
    </button>
  );
}
