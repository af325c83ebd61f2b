/** Blanks within a text: typed, chosen from a list, or filled from the word bank below it. */
import { useMemo, useState, type ReactNode } from "react";
import { LIMITS } from "../../../api/tables";
import type { Grader, GraderPart } from "../../../api/types";
import { useActing } from "../acting";
import { DrawBlank } from "./BlankView";
import { answerOf, marked, markOf, solutionOf } from "./marks";
import { thingAt, usePointerDrag } from "./usePointerDrag";

/** Lets the blanks of a running text answer `question`, and shows the bank of words below it. */
export function BlanksOf({ question, children }: { question: string; children: ReactNode }): ReactNode {
  const { index } = useActing();
  const grader = index.questions.get(question) ?? null;
  const draw = useMemo(() => grader && ((blank: string) => {
    const part = grader.parts.find(({ id }) => id === blank);
    return part ? <LiveBlank grader={grader} part={part} /> : null;
  }), [grader]);
  return <DrawBlank.Provider value={draw}>{children}{grader && <Bank grader={grader} />}</DrawBlank.Provider>;
}

function LiveBlank({ grader, part }: { grader: Grader; part: GraderPart }): ReactNode {
  const { index, state } = useActing();
  const solution = solutionOf(index, state, grader.id, part.id);
  return <><BlankField grader={grader} part={part} />{solution && <span className="zz-instead" aria-hidden>{solution}</span>}</>;
}

function BlankField({ grader, part }: { grader: Grader; part: GraderPart }): ReactNode {
  const { index, state, dispatch, picked, pick } = useActing();
  const { given, locked } = answerOf(state, grader.id);
  const value = given.find(([name]) => name === part.id)?.[1] ?? "";
  const mark = markOf(index, state, grader.id, part.id);
  const label = marked(index.say, part.words, mark, solutionOf(index, state, grader.id, part.id));
  const put = (words: string): void => dispatch({ event: "answered", question: grader.id, part: part.id, value: words });
  const common = { disabled: locked, "data-result": mark, "data-blank": part.id };
  if (part.how === "list") {
    return (
      <select {...common} className="zz-blank" aria-label={label} value={value} onChange={(event) => put(event.target.value)}>
        <option value="" />
        {part.options.map((option) => <option key={option} value={option}>{option}</option>)}
      </select>
    );
  }
  if (part.how === "bank") {
    const word = picked?.startsWith(WORD) ? picked.slice(WORD.length) : null;
    return (
      <button
        {...common} type="button" className={`zz-blank zz-drop${word !== null ? " zz-takes" : ""}`}
        aria-label={word !== null ? index.say("put_into", { word, blank: part.words }) : `${label}: ${value || index.say("empty")}`}
        onClick={(event) => { event.stopPropagation(); put(word ?? ""); pick(null); }}
      >
        {value || "\u00a0"}
      </button>
    );
  }
  return <TypedBlank common={common} label={label} value={value} put={put} />;
}

/** Wide enough for what is typed, and no hint at what is wanted. */
function TypedBlank(
  { common, label, value, put }: { common: object; label: string; value: string; put: (words: string) => void },
): ReactNode {
  const [draft, setDraft] = useState<string | null>(null);
  const shown = draft ?? value;
  return (
    <input
      {...common} className="zz-blank" aria-label={label} value={shown} maxLength={250} autoComplete="off" spellCheck={false}
      style={{ width: `${Math.max(shown.length, 9) + 2}ch` }}
      onChange={(event) => { setDraft(event.target.value); put(event.target.value); }} onBlur={() => setDraft(null)}
    />
  );
}

const WORD = "word:";

function Bank({ grader }: { grader: Grader }): ReactNode {
  const { say } = useActing().index;
  const words = grader.parts.find(({ how }) => how === "bank")?.options ?? [];
  if (!words.length) return null;
  return <div className="zz-bank" role="group" aria-label={say("word_bank")}>{words.map((word) => <BankWord key={word} grader={grader} word={word} />)}</div>;
}

function BankWord({ grader, word }: { grader: Grader; word: string }): ReactNode {
  const { state, scale, dispatch, picked, pick } = useActing();
  const { given, locked } = answerOf(state, grader.id);
  const used = given.some(([, value]) => value === word);
  const name = WORD + word;
  const { offset, handlers } = usePointerDrag(scale, !locked, () => pick(picked === name ? null : name), (x, y) => {
    const blank = thingAt(x, y, "data-blank", grader.parts.filter(({ how }) => how === "bank").map(({ id }) => id), LIMITS.reach * scale);
    pick(null);
    if (blank) dispatch({ event: "answered", question: grader.id, part: blank, value: word });
  });
  return (
    <button
      type="button" {...handlers} className={`zz-word zz-drags${offset ? " zz-dragged" : ""}${used ? " zz-used" : ""}`} disabled={locked}
      aria-pressed={picked === name} style={offset ? { translate: `${offset[0]}px ${offset[1]}px` } : {}}
      onKeyDown={(event) => { if (event.key === "Enter" || event.key === " ") { event.preventDefault(); pick(picked === name ? null : name); } }}
    >
      {word}
    </button>
  );
}
