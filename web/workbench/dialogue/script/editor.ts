/** The editor of a script: a text with keys that move lines in and out, colours, and offers. */
import { autocompletion, completionKeymap } from "@codemirror/autocomplete";
import { history, historyKeymap, isolateHistory, indentLess, indentMore, insertNewlineKeepIndent, standardKeymap } from "@codemirror/commands";
import { lintKeymap } from "@codemirror/lint";
import { Annotation, EditorState } from "@codemirror/state";
import { drawSelection, EditorView, highlightActiveLine, keymap } from "@codemirror/view";
import { colours } from "./colours";
import { offers, type Help } from "./help";
import { look } from "./look";

interface Wiring {
  label: string;
  help: () => Help;
  /** What was copied elsewhere as the text of a script, and so many rows of a table as it had. */
  readPasted: (text: string) => Promise<{ text: string; rows: number }>;
  told: (rows: number) => void;
  changed: (text: string) => void;
  moved: (line: number) => void;
}

/** Marks a change that did not come from who writes. */
const fromOutside = Annotation.define<boolean>();

/** Make an editor in `parent`. */
export function createEditor(parent: HTMLElement, text: string, { label, help, changed, moved, readPasted, told }: Wiring): EditorView {
  return new EditorView({
    parent,
    state: EditorState.create({
      doc: text,
      extensions: [
        history(), drawSelection(), highlightActiveLine(), EditorView.lineWrapping, colours, look,
        EditorView.contentAttributes.of({ "aria-label": label, spellcheck: "true", autocapitalize: "on" }),
        autocompletion({ override: [offers(help)], icons: false, interactionDelay: 0 }),
        EditorView.domEventHandlers({
          paste: (event, view) => {
            const text = event.clipboardData?.getData("text/plain") ?? "";
            if (!text.includes("\n")) return false;
            event.preventDefault();
            void put(view, text.replace(/\r\n?/g, "\n"), readPasted, told);
            return true;
          },
        }),
        keymap.of([
          ...completionKeymap,
          { key: "Tab", run: indentMore, shift: indentLess },
          { key: "Enter", run: insertNewlineKeepIndent },
          ...lintKeymap, ...historyKeymap, ...standardKeymap,
        ]),
        EditorView.updateListener.of((update) => {
          if (update.docChanged && !update.transactions.some((one) => one.annotation(fromOutside))) changed(update.state.doc.toString());
          if (update.selectionSet || update.docChanged) moved(update.state.doc.lineAt(update.state.selection.main.head).number);
        }),
      ],
    }),
  });
}

/** Put in what was copied as it is; as soon as it is known what script it makes, that stands there. Undo brings the copy back. */
async function put(view: EditorView, text: string, read: Wiring["readPasted"], told: Wiring["told"]): Promise<void> {
  const { from } = view.state.selection.main;
  view.dispatch(view.state.replaceSelection(text), { userEvent: "input.paste", scrollIntoView: true });
  const { text: script, rows } = await read(text);
  // Who has gone on writing in it keeps what stands there.
  if (script === text || view.state.sliceDoc(from, from + text.length) !== text) return;
  view.dispatch({ changes: { from, to: from + text.length, insert: script }, annotations: isolateHistory.of("full"), userEvent: "input.paste" });
  told(rows);
}

/** Show `text` where it is another one than what stands there: it was changed elsewhere. */
export function replaceText(view: EditorView, text: string): void {
  const before = view.state.doc.toString();
  if (before === text) return;
  let start = 0;
  while (start < before.length && start < text.length && before[start] === text[start]) start += 1;
  let end = 0;
  while (end < before.length - start && end < text.length - start && before[before.length - 1 - end] === text[text.length - 1 - end]) end += 1;
  view.dispatch({ changes: { from: start, to: before.length - end, insert: text.slice(start, text.length - end) }, annotations: fromOutside.of(true) });
}

/** Mark a line (from 1) and let it be written anew. */
export function goToLine(view: EditorView, line: number): void {
  if (line < 1 || line > view.state.doc.lines) return;
  const { from, to } = view.state.doc.line(line);
  view.dispatch({ selection: { anchor: from, head: to }, effects: EditorView.scrollIntoView(from, { y: "center" }) });
  view.focus();
}
