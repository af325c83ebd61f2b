import { useEffect, useRef, useState, type ReactNode } from "react";
import type { Grader } from "../../../api/types";
import type { Given } from "../../engine/tally";
import { useActing } from "../acting";
import { answerOf } from "./marks";

/** Taking back what was put somewhere, one step after another. */
export function UndoDrop({ grader }: { grader: Grader }): ReactNode {
  const { index, state, dispatch } = useActing();
  const { given, attempts, locked } = answerOf(state, grader.id);
  const now = useRef<{ given: Given; attempts: number }>({ given, attempts });
  const [steps, setSteps] = useState<readonly Given[]>([]);
  const undoing = useRef(false);
  useEffect(() => {
    const before = now.current;
    now.current = { given, attempts };
    if (before.given === given || undoing.current) return;
    // What was judged, or cleared, is no step to go back to.
    setSteps((found) => (attempts !== before.attempts || (!given.length && before.given.length > 1) ? [] : [...found, before.given]));
  }, [given, attempts]);
  const last = steps.at(-1);
  function undo(): void {
    if (!last || locked) return;
    undoing.current = true;
    for (const [part, value] of changesTo(given, last)) dispatch({ event: "answered", question: grader.id, part, value });
    setSteps(steps.slice(0, -1));
    // With its last step the button goes; the focus must not be lost with it.
    if (steps.length === 1) document.querySelector<HTMLElement>("[data-slide]")?.focus({ preventScroll: true });
  }
  useEffect(() => { undoing.current = false; });
  useEffect(() => {
    if (!last || locked) return;
    function onKeyDown(event: KeyboardEvent): void {
      if ((event.ctrlKey || event.metaKey) && event.key === "z" && !(event.target as HTMLElement).closest("input, textarea")) {
        event.preventDefault();
        undo();
      }
    }
    window.addEventListener("keydown", onKeyDown);
    return () => window.removeEventListener("keydown", onKeyDown);
  });
  if (!last || locked) return null;
  return <button type="button" className="zz-undo" onClick={(event) => { event.stopPropagation(); undo(); }}>{index.say("undo")}</button>;
}

/** What has to be put where to come from one answer to another: first away, then back in the old order. */
export function changesTo(from: Given, to: Given): [part: string, value: string][] {
  const key = ([part, target]: Given[number]): string => `${part} ${target}`;
  const wanted = to.map(key);
  const same = from.findIndex((pair, index) => key(pair) !== wanted[index]);
  const kept = same < 0 ? Math.min(from.length, to.length) : same;
  return [
    ...from.slice(kept).map(([part, target]): [string, string] => [part, `-${target}`]),
    ...to.slice(kept).map(([part, target]): [string, string] => [part, target]),
  ];
}
