/** The list of slides, with what was seen. */
import { useEffect, useRef, type ReactNode } from "react";
import type { Index } from "../engine/program";
import type { State } from "../engine/state";

interface Props {
  index: Index;
  state: State;
  onGo: (slide: string) => void;
  onClose: () => void;
}

export function Menu({ index, state, onGo, onClose }: Props): ReactNode {
  const list = useRef<HTMLDivElement>(null);
  useEffect(() => {
    list.current?.querySelector<HTMLElement>("[aria-current]")?.focus();
  }, []);
  return (
    <div
      ref={list} className="zz-menu" role="region" aria-label="Slides of the course"
      onKeyDown={(event) => { if (event.key === "Escape") onClose(); }}
    >
      <ol>
        {index.program.slides.map((slide) => {
          const seen = state.visited.includes(slide.id);
          return (
            <li key={slide.id}>
              <button
                type="button" onClick={() => onGo(slide.id)}
                aria-current={slide.id === state.slide ? "step" : undefined}
              >
                <span>{slide.title || "Untitled"}</span>
                {seen && <small>seen</small>}
              </button>
            </li>
          );
        })}
      </ol>
    </div>
  );
}
