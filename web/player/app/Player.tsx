/** The player: the slide, the way through the course, and a word when something is the matter. */
import { useEffect, useRef, useState, useSyncExternalStore, type ReactNode } from "react";
import { slideBefore } from "../engine/engine";
import { LiveSlide } from "../render/LiveSlide";
import { Menu } from "./Menu";
import { Notices } from "./Notices";
import { Transcript } from "./Transcript";
import type { Session } from "./session";
import { useScale } from "./useScale";
import { Asking, Connecting, Left } from "./screens";

export function Player({ session }: { session: Session }): ReactNode {
  const snapshot = useSyncExternalStore(session.subscribe, session.read);
  const { index } = session;
  const { state, phase } = snapshot;
  const [menu, setMenu] = useState(false);
  const [reading, setReading] = useState(false);
  const frame = useRef<HTMLDivElement>(null);
  const stage = useRef<HTMLElement>(null);
  const scale = useScale(frame, index.program.size);
  const slide = state.slide ? index.slides.get(state.slide) : undefined;
  const running = phase.kind === "running" && slide;

  const shown = useRef<string | null>(null);
  useEffect(() => {
    // A new slide is read from its beginning; the very first one leaves the focus to the page.
    if (running && shown.current && shown.current !== state.slide) {
      stage.current?.focus({ preventScroll: true });
    }
    if (running) shown.current = state.slide;
  }, [running, state.slide]);

  const place = (index.position.get(state.slide ?? "") ?? 0) + 1;
  const count = index.order.length;

  return (
    <div className="zz-player">
      <Notices session={session} snapshot={snapshot} />
      <div className="zz-frame" ref={frame}>
        {phase.kind === "connecting" && <Connecting />}
        {phase.kind === "asking" && <Asking session={session} phase={phase} />}
        {phase.kind === "left" && <Left />}
        {running && (
          <main
            ref={stage} className="zz-stage" data-slide={slide.id} tabIndex={-1}
            aria-label={`Slide ${place} of ${count}: ${slide.title}`}
          >
            <LiveSlide
              key={slide.id} {...{ index, state, slide, scale }}
              onClick={(target) => session.dispatch({ event: "clicked", target })}
              onEnter={(target, value) => session.dispatch({ event: "entered", target, value })}
              onClose={(target) => session.dispatch({ event: "close", target })}
            />
          </main>
        )}
        {running && reading && slide.transcript && (
          <Transcript text={slide.transcript} onClose={() => setReading(false)} />
        )}
        {running && menu && (
          <Menu
            index={index} state={state} onClose={() => setMenu(false)}
            onGo={(target) => { setMenu(false); session.dispatch({ event: "slide", target }); }}
          />
        )}
      </div>
      {running && (
        <nav className="zz-bar" aria-label="Course">
          <button type="button" aria-expanded={menu} onClick={() => setMenu(!menu)}>
            <svg width="20" height="20" viewBox="0 0 20 20" aria-hidden>
              <path d="M2 5h16M2 10h16M2 15h16" stroke="currentColor" strokeWidth="2" />
            </svg>
            <span className="zz-wide">Slides</span>
          </button>
          <span className="zz-place">Slide {place} of {count}</span>
          <progress
            className="zz-progress" max={count} value={state.visited.length}
            aria-label={`${state.visited.length} of ${count} slides seen`}
          />
          <button
            type="button" disabled={slideBefore(index, state) === null}
            onClick={() => session.dispatch({ event: "previous" })}
          >
            Back
          </button>
          {slide.transcript && (
            <button type="button" aria-expanded={reading} onClick={() => setReading(!reading)}>
              Transcript
            </button>
          )}
          <button
            type="button" className="zz-main" disabled={!index.onward.get(slide.id)}
            onClick={() => session.dispatch({ event: "next" })}
          >
            Next
          </button>
        </nav>
      )}
      <div className="zz-hidden" aria-live="polite">{snapshot.announcement}</div>
    </div>
  );
}
