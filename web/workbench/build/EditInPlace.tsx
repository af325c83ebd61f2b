/** Editing words where they stand, in the very look that they will have. */
import { EditorContent, useEditor } from "@tiptap/react";
import { useRef, type ReactNode } from "react";
import type { ButtonElement, Element, TextElement } from "../../api/types";
import { boxVariables, placed, textStyle } from "../../player/render/style";
import { changeElements, edit } from "../store/store";
import { fromEditor, toEditor } from "./editorText";
import { EXTENSIONS } from "./editorExtensions";
import { TextTools } from "./TextTools";

export function EditInPlace({ element }: { element: Element }): ReactNode {
  if (element.kind === "text") return <EditText element={element} />;
  if (element.kind === "button") return <EditLabel element={element} />;
  return null;
}

function EditText({ element }: { element: TextElement }): ReactNode {
  const editor = useEditor({
    extensions: EXTENSIONS,
    content: toEditor(element.text),
    autofocus: "all",
    editorProps: { attributes: { "aria-label": `Text of ${element.name}`, role: "textbox" } },
    onUpdate: ({ editor: now }) => {
      const text = fromEditor(now.getJSON());
      changeElements("Edit text", [element.id], (e) => ({ ...e, text }) as Element, `text-${element.id}`);
    },
  });
  return (
    <div
      className="zz-element" data-own-keys
      style={{ ...placed(element), ...boxVariables(element, element.style), zIndex: 1_000_003 }}
      onKeyDown={(event) => {
        if (event.key === "Escape") {
          event.stopPropagation();
          edit(null);
          document.querySelector<HTMLElement>("[data-stage]")?.focus();
        }
      }}
    >
      {editor && <TextTools editor={editor} />}
      <div className="zz-box zz-words" style={textStyle(element.style)}>
        <EditorContent editor={editor} className="zz-rich" />
      </div>
    </div>
  );
}

function EditLabel({ element }: { element: ButtonElement }): ReactNode {
  const field = useRef<HTMLInputElement>(null);
  return (
    <div
      className="zz-element" data-own-keys
      style={{ ...placed(element), ...boxVariables(element, element.style), zIndex: 1_000_003 }}
    >
      <span className="zz-box zz-words" style={textStyle(element.style)}>
        <input
          ref={field} autoFocus value={element.label} aria-label={`Label of ${element.name}`}
          onFocus={(event) => event.target.select()} onBlur={() => edit(null)} maxLength={500}
          style={{
            width: "100%", font: "inherit", color: "inherit", background: "none", border: 0,
            textAlign: element.style.align, outline: 0,
          }}
          onChange={(event) => {
            const label = event.target.value;
            changeElements("Edit label", [element.id], (e) => ({ ...e, label }) as Element,
              `label-${element.id}`);
          }}
          onKeyDown={(event) => {
            if (event.key === "Enter" || event.key === "Escape") {
              event.stopPropagation();
              edit(null);
              document.querySelector<HTMLElement>("[data-stage]")?.focus();
            }
          }}
        />
      </span>
    </div>
  );
}
