/** The text of a script, with keys that move lines in and out. */
import { chakra } from "@chakra-ui/react";
import { forwardRef, useRef, type KeyboardEvent } from "react";
import { t } from "../../words/dialogue";

const STEP = "  ";

interface Props { text: string; onChange: (text: string) => void }

/** A field for a script. Tab moves a line in; after Escape it leaves the field, as everywhere. */
export const ScriptField = forwardRef<HTMLTextAreaElement, Props>(function ScriptField({ text, onChange }, ref) {
  const leaving = useRef(false);
  function onKeyDown(event: KeyboardEvent<HTMLTextAreaElement>): void {
    const plain = !event.ctrlKey && !event.altKey && !event.metaKey;
    if (event.key === "Tab" && plain && !leaving.current) {
      event.preventDefault();
      move(event.currentTarget, event.shiftKey);
    } else if (event.key === "Enter" && plain && !event.shiftKey) {
      event.preventDefault();
      goOn(event.currentTarget);
    }
    leaving.current = event.key === "Escape" || (leaving.current && event.key === "Shift");
  }
  return (
    <chakra.textarea
      ref={ref} aria-label={t("scriptOfTheDialogue")} data-own-keys value={text} spellCheck onKeyDown={onKeyDown} onChange={(event) => onChange(event.target.value)}
      flex="1" minH="200px" resize="none" bg="sheet" borderWidth="1px" borderRadius="card" px="4" py="3" fontSize="14.5px" lineHeight="1.65" fontFamily="body"
      whiteSpace="pre-wrap" _focusVisible={{ outline: "2px solid", outlineColor: "sky" }}
    />
  );
});

/** Put `words` in place of what stands from `from` to `to`, so that the browser can take it back. */
function put(field: HTMLTextAreaElement, from: number, to: number, words: string): void {
  field.setSelectionRange(from, to);
  // The one way in which the browser's own undo knows of it.
  document.execCommand("insertText", false, words);
}

/** Move the lines that are selected in, or out. */
function move(field: HTMLTextAreaElement, out: boolean): void {
  const { value, selectionStart, selectionEnd } = field;
  const from = value.lastIndexOf("\n", selectionStart - 1) + 1;
  const end = value.indexOf("\n", selectionEnd);
  const to = end < 0 ? value.length : end;
  const lines = value.slice(from, to).split("\n");
  const moved = lines.map((line) => (out ? line.replace(/^ {1,2}/, "") : line.trim() || lines.length === 1 ? STEP + line : line)).join("\n");
  if (moved === lines.join("\n")) return;
  put(field, from, to, moved);
  const by = moved.length - (to - from);
  if (lines.length > 1) field.setSelectionRange(from, from + moved.length);
  else field.setSelectionRange(Math.max(selectionStart + by, from), Math.max(selectionEnd + by, from));
}

/** Begin the next line as far in as this one. */
function goOn(field: HTMLTextAreaElement): void {
  const { value, selectionStart, selectionEnd } = field;
  const line = value.slice(value.lastIndexOf("\n", selectionStart - 1) + 1, selectionStart);
  put(field, selectionStart, selectionEnd, `\n${/^ */.exec(line)?.[0] ?? ""}`);
}
