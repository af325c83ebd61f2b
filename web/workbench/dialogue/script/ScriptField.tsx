/** The text of a script, with help while it is typed. */
import { useEffect, useImperativeHandle, useRef, type ReactNode, type Ref } from "react";
import { Box } from "@chakra-ui/react";
import { EditorView } from "@codemirror/view";
import { api, take } from "../../../api/client";
import { sayDone } from "../../../kit/toaster";
import { t } from "../../../words/dialogue";
import { createEditor, goToLine, replaceText } from "./editor";
import { showMistakes } from "./mistakes";
import type { Help, Wrong } from "./help";

export interface ScriptHandle {
  /** Mark a line (from 1), ready to be written anew. */
  goTo: (line: number) => void;
}

interface Props {
  /** What is shown; another one is shown in place of what was typed. */
  given: { text: string };
  help: Help;
  wrong: readonly Wrong[];
  onChange: (text: string) => void;
  /** The line (from 1) that is written now. */
  onLine: (line: number) => void;
  ref: Ref<ScriptHandle>;
}

/** A field for a script. Tab moves a line in; after Escape it leaves the field, as everywhere. */
export function ScriptField({ given, help, wrong, onChange, onLine, ref }: Props): ReactNode {
  const box = useRef<HTMLDivElement>(null);
  const view = useRef<EditorView | null>(null);
  const now = useRef({ given, help, onChange, onLine });
  now.current = { given, help, onChange, onLine };
  useEffect(() => {
    if (!box.current) return undefined;
    const made = createEditor(box.current, now.current.given.text, {
      label: t("scriptOfTheDialogue"),
      help: () => now.current.help,
      readPasted: (pasted) => take(api.POST("/api/edits/dialogue/pasted", { body: { text: pasted } })).catch(() => ({ text: pasted, rows: 0 })),
      told: (rows) => sayDone(rows ? t("readFromTable", { count: rows }) : t("readFromList")),
      changed: (next) => now.current.onChange(next),
      moved: (line) => now.current.onLine(line),
    });
    view.current = made;
    return () => {
      view.current = null;
      made.destroy();
    };
  }, []);
  useEffect(() => { if (view.current) replaceText(view.current, given.text); }, [given]);
  useEffect(() => { if (view.current) showMistakes(view.current, wrong); }, [wrong]);
  useImperativeHandle(ref, () => ({ goTo: (line) => { if (view.current) goToLine(view.current, line); } }), []);
  return <Box ref={box} flex="1" minH="200px" overflow="hidden" bg="sheet" borderWidth="1px" borderRadius="card" data-own-keys _focusWithin={{ outline: "2px solid", outlineColor: "sky" }} />;
}
