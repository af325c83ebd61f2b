import { useEffect, useMemo, useState, type ReactNode } from "react";
import type { ProgramSlide } from "../../api/types";
import type { Index } from "../engine/program";
import type { Event } from "../../api/events";
import type { State } from "../engine/state";
import { ActingProvider } from "./acting";
import { Backdrop } from "./Backdrop";
import { LiveDialogue } from "./dialogue/LiveDialogue";
import { membersOf } from "./dialogue/scene";
import { WholeSlide } from "./answers/Spots";
import { TimeLeft } from "./answers/TimeLeft";
import { UndoDrop } from "./answers/UndoDrop";
import { inOrder } from "./inOrder";
import { OverlayView } from "./OverlayView";

interface Props {
  index: Index;
  state: State;
  slide: ProgramSlide;
  scale: number;
  dispatch: (event: Event) => void;
}

/** The current slide as the learner meets it: drawn by the state, answering clicks and keys. */
export function LiveSlide({ index, state, slide, scale, dispatch }: Props): ReactNode {
  const [picked, pick] = useState<string | null>(null);
  const [aimed, aim] = useState<string | null>(null);
  useKeys(index, slide, dispatch);
  const acting = useMemo(
    () => ({ index, state, scale, dispatch, picked, pick, aimed, aim }), [index, state, scale, dispatch, picked, aimed],
  );
  const open = state.overlays.flatMap((id) => slide.overlays.find((overlay) => overlay.id === id) ?? []);
  const asked = index.program.questions.filter((grader) => grader.slide === slide.id);
  const talking = useMemo(() => membersOf(slide.dialogues), [slide]);
  const theme = index.quizOf.get(slide.id)?.theme ?? index.program.theme;
  const top = open.findLastIndex((overlay) => overlay.blocks);
  return (
    <ActingProvider value={acting}>
      <Backdrop
        size={index.program.size} theme={theme} background={slide.background}
        media={index.mediaOn(slide.id)} scale={scale}
      >
        <div inert={top >= 0}>
          {asked.filter((grader) => grader.form === "spots" && !slide.elements.some((e) => e.control === "ground" && e.question === grader.id))
            .map((grader) => <WholeSlide key={grader.id} grader={grader} />)}
          {inOrder(talking.size ? slide.elements.filter(({ draw }) => !talking.has(draw.id)) : slide.elements)}
          {slide.dialogues.map((dialogue) => <LiveDialogue key={dialogue.id} dialogue={dialogue} theme={theme} />)}
          {asked.filter(({ form }) => form === "pairs").map((grader) => <UndoDrop key={grader.id} grader={grader} />)}
          {asked.map((grader) => <TimeLeft key={grader.id} grader={grader} />)}
        </div>
        {open.map((overlay, position) => (
          <div key={overlay.id} inert={position < top}><OverlayView overlay={overlay} /></div>
        ))}
      </Backdrop>
    </ActingProvider>
  );
}

/** Keys that rules of this slide or of the course wait for; what is typed into a field is not meant. */
function useKeys(index: Index, slide: ProgramSlide, dispatch: (event: Event) => void): void {
  useEffect(() => {
    const rules = [
      ...index.program.rules, ...slide.rules, ...slide.overlays.flatMap((overlay) => overlay.rules),
      ...[slide, ...slide.overlays].flatMap(({ elements }) => elements.flatMap((element) => element.rules)),
    ];
    const keys = new Set(rules.filter(({ on }) => on === "key_pressed").map(({ detail }) => detail));
    if (!keys.size) return;
    function onKeyDown(event: KeyboardEvent): void {
      if (event.ctrlKey || event.metaKey || event.altKey || !keys.has(event.key)) return;
      if (event.target instanceof HTMLElement && event.target.closest("input, select, textarea")) return;
      if (event.key === "Enter" && event.target instanceof HTMLButtonElement) return;
      dispatch({ event: "key", key: event.key });
    }
    window.addEventListener("keydown", onKeyDown);
    return () => window.removeEventListener("keydown", onKeyDown);
  }, [index, slide, dispatch]);
}
