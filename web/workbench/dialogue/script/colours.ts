/** What each line of a script is, seen by its look; the marks at its beginning say it as well. */
import { RangeSetBuilder } from "@codemirror/state";
import { Decoration, EditorView, ViewPlugin, type DecorationSet, type ViewUpdate } from "@codemirror/view";

const TURN = Decoration.line({ class: "zz-turn" });
const REPLY = Decoration.line({ class: "zz-reply-line" });
const DIRECTION = Decoration.line({ class: "zz-direction" });
const SPEAKER = Decoration.mark({ class: "zz-speaker" });
const QUIET = Decoration.mark({ class: "zz-quiet" });

const SAID = /^(\s*)(\p{L}[^:()[\]]{0,59}?)\s*(\([^()[\]]{1,40}\))?\s*:/u;
/** Where a reply leads, and its settings. */
const LEADS = /\s(?:->|→).*$|\[[^\]]*\]\s*$/u;

/** Colours for the lines that are seen. */
export const colours = ViewPlugin.fromClass(class {
  decorations: DecorationSet;

  constructor(view: EditorView) {
    this.decorations = drawn(view);
  }

  update(update: ViewUpdate): void {
    if (update.docChanged || update.viewportChanged) this.decorations = drawn(update.view);
  }
}, { decorations: (plugin) => plugin.decorations });

function drawn(view: EditorView): DecorationSet {
  const builder = new RangeSetBuilder<Decoration>();
  for (const { from, to } of view.visibleRanges) {
    for (let at = from; at <= to;) {
      const line = view.state.doc.lineAt(at);
      draw(builder, line.from, line.text);
      at = line.to + 1;
    }
  }
  return builder.finish();
}

function draw(builder: RangeSetBuilder<Decoration>, from: number, text: string): void {
  const said = SAID.exec(text);
  const leads = LEADS.exec(text);
  const quiet = (): void => { if (leads) builder.add(from + leads.index, from + text.length, QUIET); };
  if (/^\s*#/.test(text)) {
    builder.add(from, from, TURN);
    quiet();
  } else if (/^\s*[>›]/.test(text)) {
    builder.add(from, from, REPLY);
    quiet();
  } else if (said && /^(?:backdrop|sound|pause)$/i.test(said[2] ?? "")) {
    builder.add(from, from, DIRECTION);
  } else if (said) {
    const begins = from + (said[1] ?? "").length;
    const name = begins + (said[2] ?? "").length;
    builder.add(begins, name, SPEAKER);
    if (said[3]) builder.add(name, from + said[0].length, QUIET);
    quiet();
  } else quiet();
}
