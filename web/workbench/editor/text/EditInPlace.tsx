import { EditorContent, useEditor } from "@tiptap/react";
import { useRef, useState, type KeyboardEvent, type ReactNode } from "react";
import type { Blank, ButtonElement, Element, InputElement, RichText, ShapeElement, TextElement } from "../../../api/types";
import { textStyle } from "../../../player/render/style";
import { hasWords } from "../../store/richText";
import { blanksQuestion, keepBlanks } from "../../judges/BlankTool";
import { changeElements, currentSlide, edit, useCourse } from "../../store/store";
import { fromEditor, saidInBlanks, toEditor } from "./editorText";
import { EXTENSIONS } from "./editorExtensions";
import { EditTable } from "./EditTable";
import { useOncePainted } from "../../../kit/useOncePainted";
import { leaveEditing, overlay } from "./editing";
import { TextTools } from "./TextTools";
import { t } from "../../../words/editor";

/** Editing words where they stand, in the very look that they will have. */
export default function EditInPlace({ element }: { element: Element }): ReactNode {
  switch (element.kind) {
    case "text": case "shape": return <EditText element={element} />;
    case "button": case "input": return <EditLabel element={element} />;
    case "table": return <EditTable element={element} />;
    default: return null;
  }
}

/** The element with other words; a shape that gets its first ones is no decoration any more. */
function withText(element: Element, text: RichText): Element {
  if (element.kind !== "text" && element.kind !== "shape") return element;
  const begins = element.kind === "shape" && hasWords(text) && !hasWords(element.text);
  return { ...element, text, ...(begins ? { decoration: false } : {}) };
}

function EditText({ element }: { element: TextElement | ShapeElement }): ReactNode {
  const blanks = useRef(new Map<string, Blank>());
  const soon = useOncePainted();
  // What is written belongs to this slide, even if it is kept when another one is shown.
  const [home] = useState(() => currentSlide()?.id ?? "");
  const editor = useEditor({
    extensions: EXTENSIONS,
    content: toEditor(element.text, wordsOfBlanks(element.id)),
    autofocus: "all",
    editorProps: { attributes: { "aria-label": t("textOfName", { name: element.name }), role: "textbox" } },
    onUpdate: ({ editor: now }) => {
      const typed = now.getJSON();
      const text = fromEditor(typed);
      soon(() => {
        const slide = useCourse.getState().slides[home] ?? null;
        if (blanksQuestion(slide, element.id)) keepBlanks(slide, element.id, text, blanks.current, saidInBlanks(typed));
        else changeElements(t("editText"), [element.id], (e) => withText(e, text), `text-${element.id}`, slide);
      });
    },
  });
  const round = element.kind === "shape" && element.shape === "ellipse" ? " zz-ellipse" : "";
  return (
    <div
      className="zz-element" data-own-keys style={overlay(element)}
      onKeyDown={(event) => {
        if (event.key === "Escape") {
          event.stopPropagation();
          leaveEditing();
        }
      }}
    >
      {editor && <TextTools editor={editor} element={element.id} />}
      <div className={`zz-box zz-words${round}`} style={textStyle(element.style)}>
        <EditorContent editor={editor} className="zz-rich" style={{ width: "100%" }} />
      </div>
    </div>
  );
}

function wordsOfBlanks(element: string): Map<string, string> {
  const question = blanksQuestion(currentSlide(), element);
  return new Map((question?.blanks ?? []).map(({ id, accepts }) => [id, accepts.words[0] ?? ""]));
}

function EditLabel({ element }: { element: ButtonElement | InputElement }): ReactNode {
  const field = useRef<HTMLInputElement>(null);
  const boxed = element.kind === "button";
  function onKeyDown(event: KeyboardEvent): void {
    if (event.key !== "Enter" && event.key !== "Escape") return;
    event.stopPropagation();
    leaveEditing();
  }
  return (
    <div className="zz-element" data-own-keys style={overlay(element)}>
      <span className={boxed ? "zz-box zz-words" : "zz-field"} style={boxed ? textStyle(element.style) : { ...textStyle(element.style), padding: 0 }}>
        <input
          ref={field} autoFocus value={element.label} aria-label={t("labelOfName", { name: element.name })}
          onFocus={(event) => event.target.select()} onBlur={() => edit(null)} maxLength={500}
          style={{
            width: "100%", font: "inherit", color: "inherit", background: "none", border: 0,
            textAlign: element.style.align, outline: 0,
          }}
          onChange={(event) => {
            const label = event.target.value;
            changeElements(t("editLabel"), [element.id], (e) => ({ ...e, label }) as Element,
              `label-${element.id}`);
          }}
          onKeyDown={onKeyDown}
        />
      </span>
    </div>
  );
}
