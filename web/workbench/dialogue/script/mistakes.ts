/** What is wrong in a script, underlined where it stands, with what may be meant. */
import { setDiagnostics, type Diagnostic } from "@codemirror/lint";
import type { EditorView } from "@codemirror/view";
import type { Wrong } from "./help";

/** What is underlined in each editor: as long as that stays, so does the tooltip that explains it. */
const shown = new WeakMap<EditorView, string>();

/** Underline what is wrong. */
export function showMistakes(view: EditorView, wrong: readonly Wrong[]): void {
  const all = JSON.stringify(wrong.map(({ words, meant }) => [words, meant]));
  if (shown.get(view) === all) return;
  shown.set(view, all);
  const found = wrong.flatMap((one) => marked(view, one)).sort((a, b) => a.from - b.from);
  view.dispatch(setDiagnostics(view.state, found));
}

function marked(view: EditorView, { line, words, wrong, meant, level }: Wrong): Diagnostic[] {
  if (line > view.state.doc.lines) return [];
  const { from, to, text } = view.state.doc.line(line);
  const at = wrong ? text.lastIndexOf(wrong) : -1;
  const begin = at < 0 ? from + (text.length - text.trimStart().length) : from + at;
  const end = at < 0 ? to : begin + wrong.length;
  return [{
    from: begin, to: Math.max(end, begin), severity: level, message: words,
    actions: at < 0 ? [] : meant.slice(0, 4).map((name) => ({
      name, apply: (field, start, stop) => field.dispatch({ changes: { from: start, to: stop, insert: name } }),
    })),
  }];
}
