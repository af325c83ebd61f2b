import { useEditorState, type Editor } from "@tiptap/react";
import { SquareDashed } from "lucide-react";
import type { ReactNode } from "react";
import type { Blank, QuestionOf, RichText, Slide } from "../../api/types";
import { freshId } from "../store/ids";
import { changeSlide, useCourse } from "../store/store";
import { Tool } from "../../kit/Tool";
import { blanksIn, NEW_BLANK } from "./blankText";
import { t } from "../../words/judges";

export type BlanksQuestion = QuestionOf<"blanks">;

/** The fill-in-the-blanks question whose text is `element`. */
export function blanksQuestion(slide: Slide | null | undefined, element: string): BlanksQuestion | undefined {
  return slide?.questions.find((question): question is BlanksQuestion => question.kind === "blanks" && question.text === element);
}

/** In the text on the slide: the selected words become a blank, a blank becomes words again. */
export function BlankTool({ editor, element }: { editor: Editor; element: string }): ReactNode {
  const question = useCourse((state) => blanksQuestion(state.slides[state.selection.slide ?? ""], element));
  const on = useEditorState({
    editor, selector: ({ editor: now }) => ({
      blank: now.isActive("blank") ? String(now.getAttributes("blank").blank) : null,
      words: now.state.doc.textBetween(now.state.selection.from, now.state.selection.to, " ").trim(),
    }),
  });
  if (!question) return null;
  const chain = (): ReturnType<Editor["chain"]> => editor.chain().focus();
  function turn(): void {
    if (on.blank !== null) {
      const words = question?.blanks.find(({ id }) => id === on.blank)?.accepts.words[0] ?? "";
      (words ? chain().insertContent(words) : chain().deleteSelection()).run();
    } else if (on.words) chain().insertContent({ type: "blank", attrs: { blank: freshId(), words: on.words } }).run();
  }
  const label = on.blank !== null ? t("turnItBackIntoText") : on.words ? t("makeWordsABlank", { words: on.words }) : t("selectTextToMakeIt");
  return (
    <Tool label={label} aria-pressed={on.blank !== null} disabled={on.blank === null && !on.words} onPointerDown={(event) => event.preventDefault()} onClick={turn}>
      <SquareDashed size={16} />
    </Tool>
  );
}

/** Keep a text of `slide` with the blanks that are in it now; `known` are all that it had while it is edited, `words` those of new ones. */
export function keepBlanks(
  slide: Slide | null, element: string, text: RichText, known: Map<string, Blank>, words: ReadonlyMap<string, string>,
): void {
  const question = blanksQuestion(slide, element);
  if (!slide || !question) return;
  for (const blank of question.blanks) known.set(blank.id, blank);
  const blanks = [...new Set(blanksIn(text))].map((id): Blank => (
    known.get(id) ?? { ...NEW_BLANK, id, accepts: { ...NEW_BLANK.accepts, words: [words.get(id) ?? ""].filter(Boolean) } }
  ));
  changeSlide(t("editText"), {
    ...slide,
    elements: slide.elements.map((other) => (other.id === element && other.kind === "text" ? { ...other, text } : other)),
    questions: slide.questions.map((other) => (other.id === question.id ? { ...question, blanks } : other)),
  }, `text-${element}`);
}
