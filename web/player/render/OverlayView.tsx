import { useLayoutEffect, useRef, type CSSProperties, type KeyboardEvent, type ReactNode } from "react";
import type { ProgramOverlay } from "../../api/types";
import { useActing } from "./acting";
import { inOrder } from "./inOrder";
import { LiveElement } from "./LiveElement";
import { paint } from "./theme";

const SIGNS = { right: "✓", partly: "◑", wrong: "✕", plain: "" };

/** What opens over the slide. It takes the focus while it blocks, and gives it back. */
export function OverlayView({ overlay }: { overlay: ProgramOverlay }): ReactNode {
  const { dispatch, index, state } = useActing();
  const box = useRef<HTMLDivElement>(null);
  const { blocks, panel } = overlay;

  useLayoutEffect(() => {
    if (!blocks && !panel) return;
    const before = document.activeElement as HTMLElement | null;
    box.current?.focus({ preventScroll: true });
    // Only once all is drawn is it plain where the focus may go.
    return () => queueMicrotask(() => giveBack(before));
  }, [blocks, panel]);

  const close = (): void => dispatch({ event: "close", target: overlay.id });
  function onKeyDown(event: KeyboardEvent): void {
    if (event.key === "Escape" && overlay.on_escape) {
      event.stopPropagation();
      close();
    } else if (event.key === "Tab" && blocks) {
      keepFocusIn(box.current, event);
    }
  }
  const dialog = {
    ref: box, role: "dialog", "aria-modal": blocks, "aria-label": overlay.title, tabIndex: -1, onKeyDown,
  };
  if (panel) {
    const speaker = overlay.speaker ? index.mediaOn(state.slide)[overlay.speaker] : undefined;
    const sign = overlay.colour ? { background: paint(overlay.colour) } : {};
    return (
      <div className={`zz-overlay zz-at-${overlay.place}${overlay.dims ? " zz-dims" : ""}`}>
        <div
          {...dialog} className={`zz-panel zz-tone-${overlay.tone}`} style={panelStyle(overlay)}
          aria-describedby={`${overlay.id}-words`}
        >
          {speaker && <img className="zz-speaker" src={speaker.src} alt="" />}
          {SIGNS[overlay.tone] && <span className="zz-sign" aria-hidden style={sign}>{SIGNS[overlay.tone]}</span>}
          <div className="zz-panel-words" id={`${overlay.id}-words`}>
            <h2 className="zz-panel-title">{overlay.title}</h2>
            {overlay.elements.map((element) => <LiveElement key={element.draw.id} flows element={element} />)}
          </div>
        </div>
      </div>
    );
  }
  return (
    <div className={`zz-over-slide${blocks ? " zz-blocks" : ""}${overlay.dims ? " zz-dims" : ""}`}>
      {(blocks || overlay.on_outside) && (
        <div className="zz-outside" aria-hidden onClick={overlay.on_outside ? close : undefined} />
      )}
      <div {...dialog} {...(blocks ? {} : { role: "region", "aria-modal": undefined })}>
        {inOrder(overlay.elements)}
      </div>
    </div>
  );
}

/** The focus goes back, unless it is elsewhere already; what had it may be switched off by now. */
function giveBack(before: HTMLElement | null): void {
  if (document.activeElement !== document.body) return;
  before?.focus({ preventScroll: true });
  if (document.activeElement === document.body) {
    document.querySelector<HTMLElement>("[data-slide]")?.focus({ preventScroll: true });
  }
}

/** The panel as the course has it: its width, and what its style and tone set. */
function panelStyle({ w, style, colour }: ProgramOverlay): CSSProperties {
  return {
    width: w, ...(colour ? { borderInlineStartColor: paint(colour) } : {}),
    ...(style?.fill ? { background: paint(style.fill) } : {}), ...(style?.radius ? { borderRadius: style.radius } : {}),
    ...(style ? { color: paint(style.text_colour) } : {}),
  };
}

function keepFocusIn(box: HTMLElement | null, event: KeyboardEvent): void {
  const stops = [...(box?.querySelectorAll<HTMLElement>("button:not(:disabled), input, select, a, [tabindex='0']") ?? [])];
  const first = stops[0];
  const last = stops.at(-1);
  if (!first || !last) return;
  const active = document.activeElement;
  if (event.shiftKey && (active === first || active === box)) {
    event.preventDefault();
    last.focus();
  } else if (!event.shiftKey && active === last) {
    event.preventDefault();
    first.focus();
  }
}
