/** Places to be clicked: on a picture or the whole slide; marks stay where it was clicked. */
import { showsRight } from "../reviewing";
import type { MouseEvent, ReactNode } from "react";
import type { Grader, ProgramElement } from "../../../api/types";
import type { State } from "../../engine/state";
import { useActing } from "../acting";
import { useSay } from "../speech";
import type { Given } from "../../engine/tally";
import { answerOf, marked } from "./marks";
import { isRight, standing } from "./places";
import { useFrame, wordsOf } from "./useFrame";

/** The ground of a hotspot question: clicks beside all places count too. */
export function Ground({ element }: { element: ProgramElement }): ReactNode {
  const { dispatch, index } = useActing();
  const { draw, grader, enabled, view, style } = useFrame(element, false);
  if (!grader) return null;
  const first = [...index.elements.values()].find(({ control, question }) => control === "ground" && question === grader.id);
  const beside = (event: MouseEvent<HTMLElement>): void => {
    dispatch({ event: "answered", question: grader.id, part: grader.id, value: placeOf(event) });
  };
  return (
    <>
      <div
        data-element={draw.id} className={`zz-element${enabled ? " zz-aims" : ""}`} style={style} onClick={enabled ? beside : undefined}
        onClickCapture={(event) => {
          // A video is looked at here: a click on its picture is a mark, and does not stop it.
          if (!enabled || !(event.target instanceof HTMLVideoElement) || event.target.controls) return;
          event.stopPropagation();
          beside(event);
        }}
        role={draw.decoration ? undefined : "img"} aria-label={draw.decoration ? undefined : wordsOf(draw)}
      >
        {view}
      </div>
      {first === element && <Marks grader={grader} />}
    </>
  );
}

/** The whole slide as the ground, where the question names no picture. */
export function WholeSlide({ grader }: { grader: Grader }): ReactNode {
  const { dispatch, state } = useActing();
  const open = !answerOf(state, grader.id).locked;
  return (
    <>
      <div
        className={`zz-whole${open ? " zz-aims" : ""}`} aria-hidden
        onClick={open ? (event) => dispatch({ event: "answered", question: grader.id, part: grader.id, value: placeOf(event) }) : undefined}
      />
      <Marks grader={grader} />
    </>
  );
}

/** An area of a picture that can be chosen. */
export function Spot({ element }: { element: ProgramElement }): ReactNode {
  const { index, state, dispatch } = useActing();
  const { draw, grader, part, enabled, mark, view, style } = useFrame(element, false);
  if (!grader) return null;
  const { given, locked, result } = answerOf(state, grader.id);
  const hit = given.some(([name]) => name === part);
  const missed = showsRight(index, state, grader) && locked && result !== "neutral" && !hit
    && grader.parts.some(({ id, right }) => id === part && right.length);
  return (
    <button
      type="button" data-element={draw.id} className={`zz-element zz-spot${enabled ? " zz-aims" : ""}`} style={{ ...style, zIndex: draw.z + 1 }}
      disabled={!enabled} aria-pressed={hit} aria-label={marked(index.say, wordsOf(draw), missed ? "missed" : mark)} data-missed={missed || undefined}
      data-found={(hit && grader.found_at_once && isRight(grader, part ?? "")) || undefined}
      onClick={(event) => {
        event.stopPropagation();
        const at = event.detail ? placeOf(event) : `${Math.round(draw.x + draw.w / 2)},${Math.round(draw.y + draw.h / 2)}`;
        const before = answerOf(state, grader.id).given.find(([name]) => name === part);
        dispatch({ event: "answered", question: grader.id, part, value: before ? `-${before[1]}` : at });
      }}
    >
      {view}
    </button>
  );
}

/** The marks so far; each can be taken away until it is judged. */
function Marks({ grader }: { grader: Grader }): ReactNode {
  const { index: { say }, state, dispatch } = useActing();
  const { given, locked } = answerOf(state, grader.id);
  return (
    <>
      {given.map(([part, at], index) => {
        const [x = 0, y = 0] = at.split(",").map(Number);
        const right = isRight(grader, part);
        if (!locked && (grader.clicks_spent || (grader.found_at_once && right))) {
          // A wrong click that is spent is only seen for a moment, where the right ones show at once.
          const passes = grader.found_at_once && !right;
          return (
            <span
              key={`${part}-${at}`} className={`zz-pin${passes ? " zz-brief" : ""}`} style={{ left: x, top: y }} aria-hidden
              data-result={grader.found_at_once ? (right ? "right" : "wrong") : undefined}
            >
              {passes ? "✕" : grader.found_at_once ? "✓" : index + 1}
            </span>
          );
        }
        return (
          <button
            key={`${part}-${at}`} type="button" className="zz-pin" style={{ left: x, top: y }} disabled={locked}
            data-result={signOf(grader, state, part)} aria-label={say("remove_mark", { n: index + 1 })}
            onClick={(event) => { event.stopPropagation(); dispatch({ event: "answered", question: grader.id, part, value: `-${at}` }); }}
          >
            {index + 1}
          </button>
        );
      })}
      {!locked && <Standing grader={grader} given={given} />}
    </>
  );
}

/** How many were found, where that shows at once, and how many clicks are left; it is said elsewhere. */
function Standing({ grader, given }: { grader: Grader; given: Given }): ReactNode {
  const words = standing(grader, given, useSay());
  return words ? <p className="zz-left">{words}</p> : null;
}

function signOf(grader: Grader, state: State, part: string): "right" | "wrong" | undefined {
  const { locked, result } = answerOf(state, grader.id);
  if (!locked || result === null || result === "neutral") return undefined;
  return isRight(grader, part) ? "right" : "wrong";
}

/** Where on the slide was clicked, in px. */
function placeOf(event: MouseEvent<HTMLElement>): string {
  const slide = event.currentTarget.closest<HTMLElement>(".zz-slide");
  const frame = slide?.getBoundingClientRect();
  if (!slide || !frame) return "0,0";
  const scale = frame.width / slide.offsetWidth || 1;
  return `${Math.round((event.clientX - frame.left) / scale)},${Math.round((event.clientY - frame.top) / scale)}`;
}
