import { useEffect, useRef, type ReactNode } from "react";
import { mayGo } from "../engine/engine";
import type { Index } from "../engine/program";
import type { State } from "../engine/state";
import { whyClosed } from "./whyClosed";

interface Props {
  index: Index;
  state: State;
  onGo: (slide: string) => void;
  onClose: () => void;
}

/** The list of slides, with what was seen. */
export function Menu({ index, state, onGo, onClose }: Props): ReactNode {
  const list = useRef<HTMLDivElement>(null);
  useEffect(() => {
    list.current?.querySelector<HTMLElement>("[aria-current]")?.focus();
  }, []);
  return (
    <div
      ref={list} className="zz-menu" role="region" aria-label={index.say("slides_of_course")}
      onKeyDown={(event) => { if (event.key === "Escape") onClose(); }}
    >
      <ol>
        {index.ordered(state.draws).slides.map((name) => {
          const slide = index.slides.get(name);
          if (!slide) return null;
          const seen = state.visited.includes(slide.id);
          const open = slide.id === state.slide || mayGo(index, state, slide.id);
          return (
            <li key={slide.id}>
              <button
                type="button" onClick={() => onGo(slide.id)}
                aria-current={slide.id === state.slide ? "step" : undefined}
                aria-disabled={!open || undefined}
              >
                <span>{slide.title || index.say("untitled")}</span>
                {seen && <small>{index.say("seen")}</small>}
                {!open && <small>{whyClosed(index, state, slide.id)}</small>}
              </button>
            </li>
          );
        })}
      </ol>
    </div>
  );
}
