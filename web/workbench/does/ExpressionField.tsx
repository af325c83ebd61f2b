import { Box, chakra, Text } from "@chakra-ui/react";
import { useEffect, useId, useRef, useState, type ReactNode, type RefObject } from "react";
import { api, take } from "../../api/client";
import { sayError } from "../../kit/toaster";
import type { Things } from "./things";
import { t } from "../../words/does";

interface Props { label: string; node: unknown; things: Things; onChange: (node: unknown) => void }

/** What was typed; `accepted` is the tree that the core has read in it, null until then. */
interface Typed { text: string; accepted: string | null }

/**
 * An expression as a line of text: read and written by the core, which says what it cannot read.
 * The field keeps its focus and its letters while an answer is on its way.
 */
export function ExpressionField({ label, node, things, onChange }: Props): ReactNode {
  const field = useRef<HTMLTextAreaElement>(null);
  const { shown, open, problem, waits, fixed, type, read, leave, giveUp } = useTyping(node, things, onChange, field);
  const note = useId();
  return (
    <Box w="100%">
      <chakra.textarea
        ref={field} aria-label={label} aria-invalid={problem !== null} aria-describedby={note} value={shown}
        rows={Math.min(Math.ceil(shown.length / 38) || 1, 6)} w="100%" fontFamily="mono" fontSize="12.5px" lineHeight="1.5"
        px="2" py="1" borderWidth="1px" borderColor={problem ? "brick" : "edge"} borderRadius="6px" bg="sheet" resize="vertical" spellCheck={false}
        readOnly={fixed} aria-busy={waits} placeholder={t("score3AndClickedCard")}
        onChange={(event) => type(event.target.value)}
        onBlur={leave}
        onKeyDown={(event) => {
          if (event.key === "Enter" && !event.shiftKey) {
            event.preventDefault();
            read(shown);
          } else if (event.key === "Escape" && open) {
            event.stopPropagation();
            giveUp();
          }
        }}
      />
      <Text id={note} fontSize="12px" lineHeight="1.4" color={problem ? "brick" : "quiet"} role={problem ? "alert" : undefined}>
        {problem ? `Not taken over: ${problem.words} (at character ${problem.at + 1}). Escape brings the old one back.`
          : open ? t("enterAppliesIt") : 'Variables by name, course.points, clicked("…"), seen("…"), shown("…"), all_seen("…").'}
      </Text>
    </Box>
  );
}

interface Typing {
  shown: string; open: boolean; problem: { words: string; at: number } | null;
  /** The core has yet to write the condition as text; `fixed` until it first has. */
  waits: boolean; fixed: boolean;
  type: (text: string) => void; read: (text: string) => void; leave: () => void; giveUp: () => void;
}

/** What stands in the field: the condition as the core writes it, or what is being typed. */
function useTyping(
  node: unknown, things: Things, onChange: Props["onChange"], field: RefObject<HTMLTextAreaElement | null>,
): Typing {
  const [typed, setTyped] = useState<Typed | null>(null);
  const [problem, setProblem] = useState<Typing["problem"]>(null);
  const newest = useRef(0);
  const tree = JSON.stringify(node);
  const written = useWritten(tree, things);

  function read(text: string): void {
    const question = ++newest.current;
    take(api.POST("/api/edits/expression", { body: { ...naming(things), text } })).then((found) => {
      // Whoever went on typing asks again; that answer counts.
      if (question !== newest.current) return;
      if (found.problem) {
        setProblem({ words: found.problem, at: found.at });
        field.current?.setSelectionRange(found.at, found.at);
        return;
      }
      setProblem(null);
      const accepted = JSON.stringify(found.node);
      setTyped({ text, accepted });
      if (accepted !== tree) onChange(found.node);
    }, sayError);
  }

  function put(next: Typed | null): void {
    newest.current += 1;
    setTyped(next);
    setProblem(null);
  }

  const waits = written?.tree !== tree;
  const open = typed?.accepted === null || (waits && typed?.accepted === tree) ? typed : null;
  return {
    shown: open?.text ?? written?.text ?? "", open: open !== null, problem, waits,
    fixed: written === null && open === null, read,
    type: (text) => put({ text, accepted: null }),
    leave: () => { if (open?.accepted === null && !problem) read(open.text); },
    giveUp: () => put(null),
  };
}

interface Written { tree: string; text: string }

/** The tree as the core last wrote it, which may be the tree of a moment ago; null at first. */
function useWritten(tree: string, things: Things): Written | null {
  const [written, setWritten] = useState<Written | null>(null);
  const names = useRef(things);
  names.current = things;
  useEffect(() => {
    let current = true;
    const body = { ...naming(names.current), node: JSON.parse(tree) as unknown };
    take(api.POST("/api/edits/expression/text", { body })).then(
      ({ text }) => { if (current) setWritten({ tree, text }); }, sayError,
    );
    return () => { current = false; };
  }, [tree]);
  return written;
}

function naming(things: Things): { slide: Things["slide"]; course: Things["course"]; titles: Record<string, string> } {
  const titles = Object.fromEntries(Object.entries(things.slides).map(([id, slide]) => [id, slide.title]));
  return { slide: things.slide, course: things.course, titles };
}
