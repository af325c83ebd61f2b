import { Box, chakra, Text } from "@chakra-ui/react";
import { useEffect, useId, useRef, useState, type ReactNode } from "react";
import { api, take } from "../../api/client";
import { sayError } from "../../kit/toaster";
import type { Things } from "./things";
import { t } from "../../words/does";

interface Props { label: string; node: unknown; things: Things; onChange: (node: unknown) => void }

/** An expression as a line of text: read and written by the core, which says what it cannot read. */
export function ExpressionField({ label, node, things, onChange }: Props): ReactNode {
  const [text, setText] = useState<string | null>(null);
  const [problem, setProblem] = useState<{ words: string; at: number } | null>(null);
  const field = useRef<HTMLTextAreaElement>(null);
  const tree = JSON.stringify(node);
  const written = useWritten(tree, things);
  const note = useId();

  function read(typed: string): void {
    take(api.POST("/api/edits/expression", { body: { ...naming(things), text: typed } })).then((found) => {
      if (found.problem) {
        setProblem({ words: found.problem, at: found.at });
        field.current?.setSelectionRange(found.at, found.at);
        return;
      }
      setProblem(null);
      setText(null);
      if (JSON.stringify(found.node) !== tree) onChange(found.node);
    }, sayError);
  }

  const shown = text ?? written ?? "";
  return (
    <Box w="100%">
      <chakra.textarea
        ref={field} aria-label={label} aria-invalid={problem !== null} aria-describedby={note} value={shown}
        rows={Math.min(Math.ceil(shown.length / 38) || 1, 6)} w="100%" fontFamily="mono" fontSize="12.5px" lineHeight="1.5"
        px="2" py="1" borderWidth="1px" borderColor={problem ? "brick" : "edge"} borderRadius="6px" bg="sheet" resize="vertical" spellCheck={false}
        disabled={written === null} placeholder={t("score3AndClickedCard")}
        onChange={(event) => { setText(event.target.value); setProblem(null); }}
        onBlur={() => { if (text !== null && !problem) read(text); }}
        onKeyDown={(event) => {
          if (event.key === "Enter" && !event.shiftKey) {
            event.preventDefault();
            read(shown);
          } else if (event.key === "Escape" && text !== null) {
            event.stopPropagation();
            setText(null);
            setProblem(null);
          }
        }}
      />
      <Text id={note} fontSize="12px" lineHeight="1.4" color={problem ? "brick" : "quiet"} role={problem ? "alert" : undefined}>
        {problem ? `Not taken over: ${problem.words} (at character ${problem.at + 1}). Escape brings the old one back.`
          : text === null ? 'Variables by name, course.points, clicked("…"), seen("…"), shown("…"), all_seen("…").' : t("enterAppliesIt")}
      </Text>
    </Box>
  );
}

/** The tree as text, null until the core has answered. */
function useWritten(tree: string, things: Things): string | null {
  const [written, setWritten] = useState<{ tree: string; text: string } | null>(null);
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
  return written?.tree === tree ? written.text : null;
}

function naming(things: Things): { slide: Things["slide"]; course: Things["course"]; titles: Record<string, string> } {
  const titles = Object.fromEntries(Object.entries(things.slides).map(([id, slide]) => [id, slide.title]));
  return { slide: things.slide, course: things.course, titles };
}
