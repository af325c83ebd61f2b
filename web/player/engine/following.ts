/** The rules that an event runs, and the events they raise. The twin of `engine/following.py`. */
import { LIMITS } from "../../api/tables";
import { act } from "./actions";
import type { BoundRule } from "./program";
import type { Run } from "./run";


/** Run the rules for all that was raised, first in first out, until nothing is left. */
export function followUp(run: Run): void {
  for (;;) {
    const next = run.queue[0];
    if (!next) return;
    const [event, target, detail] = next;
    const matching = run.index.matching(event, target, detail);
    if (run.handled >= LIMITS.follow_ups) {
      run.queue = [];
      run.effects.push({ effect: "loop", rules: matching.map(({ rule }) => rule.id) });
      return;
    }
    run.handled += 1;
    run.queue.shift();
    const here = run.state.slide;
    for (const bound of matching) {
      if (bound.slide !== null && bound.slide !== here && event !== "slide_left") continue;
      const held = run.holds(bound.rule.condition);
      run.log?.push({ event, target, rule: bound.rule.id, held });
      goOn(run, bound, held ? "then" : "otherwise", 0);
    }
  }
}

/** Do the actions of one branch from a place, up to a wait. */
export function goOn(run: Run, bound: BoundRule, branch: "then" | "otherwise", from: number): void {
  const { rule } = bound;
  const actions = rule[branch];
  for (let index = from; index < actions.length; index++) {
    const action = actions[index];
    if (action?.do === "wait") {
      if (bound.slide === null || bound.slide === run.state.slide) {
        const due = run.state.time + Math.max(action.ms, 1);
        const owner = bound.slide ?? "course";
        run.update({ waiting: [...run.state.waiting, { due, owner, rule: rule.id, branch, index: index + 1 }] });
      }
      return;
    }
    if (action && !act(run, action)) return;
  }
}
