import { useEffect, useMemo, useRef, useSyncExternalStore, type CSSProperties, type ReactNode } from "react";
import type { ProgramSlide } from "../../api/types";
import type { State } from "../engine/state";
import { LiveSlide } from "../render/LiveSlide";
import { seenIn } from "../render/reviewing";
import { SpeechContext, speechIn, useSay } from "../render/speech";
import { Menu } from "./Menu";
import { NavigationBar } from "./NavigationBar";
import { Overview } from "./Overview";
import { Notices } from "./Notices";
import { Review } from "./Review";
import { Transcript } from "./Transcript";
import type { Phase, Session } from "./session";
import { useBackground } from "./useBackground";
import { usePanels, type OpenPanels } from "./usePanels";
import { useKeptFocus } from "./useKeptFocus";
import { useMiddle, useScale, useSize } from "./useScale";
import { Asking, Connecting, Left } from "./screens";

/** The player: the slide, the way through the course, and a word when something is the matter. */
export function Player({ session }: { session: Session }): ReactNode {
  const snapshot = useSyncExternalStore(session.subscribe, session.read);
  const { index } = session;
  const { state, phase } = snapshot;
  const speech = useMemo(() => speechIn(index.program.language, index.say), [index.program.language, index.say]);
  const panels = usePanels();
  const frame = useRef<HTMLDivElement>(null);
  const view = useRef<HTMLElement>(null);
  const size = useSize();
  useKeptFocus();
  const scale = useScale(frame, index.program.size) * size.times;
  useMiddle(view, size.times, state.slide);
  const slide = state.slide ? index.slides.get(state.slide) : undefined;
  const running = phase.kind === "running" && slide;

  useBackground(index, state, Boolean(running));

  const shown = useRef<string | null>(null);
  useEffect(() => {
    // A new slide is read from its beginning; the very first one leaves the focus to the page.
    if (running && shown.current && shown.current !== state.slide) {
      view.current?.focus({ preventScroll: true });
    }
    if (running) shown.current = state.slide;
  }, [running, state.slide]);

  const order = index.ordered(state.draws);
  const position = (order.position.get(state.slide ?? "") ?? 0) + 1;
  const count = order.slides.length;

  return (
    <SpeechContext.Provider value={speech}>
      <div className="zz-player">
        <Notices session={session} snapshot={snapshot} />
        <div className="zz-frame" ref={frame}>
          <Before session={session} phase={phase} />
          {running && (
            <main
              ref={view} className="zz-view" data-slide={slide.id} tabIndex={size.times > 1 ? 0 : -1}
              aria-label={index.say("place_titled", { n: position, count, title: slide.title })}
            >
              <div className="zz-stage" style={printed(index.program.size, scale)}>
                <LiveSlide
                  key={slide.id} {...{ index, slide, scale }} state={seenIn(index, state)} dispatch={session.dispatch}
                />
              </div>
            </main>
          )}
          <Coming loading={snapshot.loading} />
          {running && <Closed words={snapshot.closed} />}
          {running && <Panels {...{ session, state, slide, panels }} />}
        </div>
        {running && <Review index={index} state={state} dispatch={session.dispatch} />}
        {running && (
          <NavigationBar
            {...{ session, state, slide, size, panels }}
          />
        )}
        <div className="zz-hidden" aria-live="polite"><p key={snapshot.announcement.count}>{snapshot.announcement.text}</p></div>
      </div>
    </SpeechContext.Provider>
  );
}

/** The room (px) on a sheet of paper across, A4 or letter, within its margins. */
const SHEET = { w: 960, h: 660 };

/** How much larger than on the screen the slide is on paper: as large as a sheet allows. */
function printed(size: { w: number; h: number }, scale: number): CSSProperties {
  const fits = Math.min(SHEET.w / size.w, SHEET.h / size.h) / (scale || 1);
  return { "--zz-printed": fits } as CSSProperties;
}

/** What is open over the slide: the menu, the transcript, the overview of a quiz. */
function Panels({ session, state, slide, panels }: { session: Session; state: State; slide: ProgramSlide; panels: OpenPanels }): ReactNode {
  const { index } = session;
  return (
    <>
      {panels.isOpen("transcript") && slide.transcript && <Transcript text={slide.transcript} onClose={() => panels.close("transcript")} />}
      {panels.isOpen("menu") && (
        <Menu
          index={index} state={state} onClose={() => panels.close("menu")}
          onGo={(target) => { panels.close("menu"); session.dispatch({ event: "slide", target }); }}
        />
      )}
      {panels.isOpen("overview") && <Overview index={index} state={state} dispatch={session.dispatch} onClose={() => panels.close("overview")} />}
    </>
  );
}

/** What stands in place of the slide while the course does not run. */
function Before({ session, phase }: { session: Session; phase: Phase }): ReactNode {
  switch (phase.kind) {
    case "connecting": return <Connecting />;
    case "asking": return <Asking session={session} phase={phase} />;
    case "left": return <Left kept={phase.kept} session={session} />;
    default: return null;
  }
}

/** A word while the slide that is asked for is still on its way. */
function Coming({ loading }: { loading: boolean }): ReactNode {
  const say = useSay();
  return loading ? <p className="zz-coming" role="status">{say("slide_loading")}</p> : null;
}

/** Why the way on is closed, after it was tried; a screen reader is told so with all else. */
function Closed({ words }: { words: string | null }): ReactNode {
  const say = useSay();
  return words === null ? null : <p className="zz-closed">{words || say("still_to_do")}</p>;
}
