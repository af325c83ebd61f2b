/** A panel over the slide. It takes the focus while it blocks, and gives it back. */
import { useEffect, useRef, type KeyboardEvent, type ReactNode } from "react";
import type { Overlay } from "../../api/types";
import type { Index } from "../engine/program";
import type { State } from "../engine/state";
import type { Value } from "../engine/values";
import { LiveElement } from "./LiveElement";

interface Props {
  overlay: Overlay;
  index: Index;
  state: State;
  onClick: (element: string) => void;
  onClose: (overlay: string) => void;
  onEnter: (element: string, value: Value) => void;
}

const SIGNS = { right: "✓", wrong: "✕", plain: "" };

export function OverlayView({ overlay, index, state, onClick, onClose, onEnter }: Props): ReactNode {
  const panel = useRef<HTMLDivElement>(null);

  useEffect(() => {
    const before = document.activeElement as HTMLElement | null;
    panel.current?.focus({ preventScroll: true });
    return () => {
      // What had the focus may be switched off by now; then the slide takes it.
      const back = before && !before.matches(":disabled") ? before : null;
      (back ?? document.querySelector<HTMLElement>("[data-slide]"))?.focus({ preventScroll: true });
    };
  }, []);

  function onKeyDown(event: KeyboardEvent): void {
    if (event.key === "Escape") {
      event.stopPropagation();
      onClose(overlay.id);
    } else if (event.key === "Tab" && overlay.blocks) {
      keepFocusIn(panel.current, event);
    }
  }

  return (
    <div className={`zz-overlay zz-at-${overlay.place}${overlay.dims ? " zz-dims" : ""}`}>
      <div
        ref={panel} className={`zz-panel zz-tone-${overlay.tone}`} style={{ width: overlay.w }}
        role="dialog" aria-modal={overlay.blocks} aria-label={overlay.title} tabIndex={-1}
        onKeyDown={onKeyDown} aria-describedby={`${overlay.id}-words`}
      >
        {SIGNS[overlay.tone] && (
          <span className="zz-sign" aria-hidden>{SIGNS[overlay.tone]}</span>
        )}
        <div className="zz-panel-words" id={`${overlay.id}-words`}>
          <h2 className="zz-panel-title">{overlay.title}</h2>
          {overlay.elements.map((element) => (
            <LiveElement
              key={element.draw.id} flows {...{ index, state, element, onClick, onEnter }}
            />
          ))}
        </div>
      </div>
    </div>
  );
}

function keepFocusIn(panel: HTMLElement | null, event: KeyboardEvent): void {
  const stops = [...(panel?.querySelectorAll<HTMLElement>("button:not(:disabled), input, a") ?? [])];
  const first = stops[0];
  const last = stops.at(-1);
  if (!first || !last) return;
  const active = document.activeElement;
  if (event.shiftKey && (active === first || active === panel)) {
    event.preventDefault();
    last.focus();
  } else if (!event.shiftKey && active === last) {
    event.preventDefault();
    first.focus();
  }
}
