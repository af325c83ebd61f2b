import { Box, Spinner, Text } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useState, type ReactNode } from "react";
import type { ProgramRule } from "../../api/types";
import { compiledCourse } from "../store/compiled";
import { useCourse } from "../store/store";
import { QuietButton } from "../../kit/QuietButton";
import { whenWords } from "./sentences";

type Action = ProgramRule["then"][number];
type Name = (id: string) => string;

/** What a pattern comes to: the sentences that the course is published with. */
export function Compiled({ parts, name }: { parts: readonly string[]; name: Name }): ReactNode {
  const [open, setOpen] = useState(false);
  return (
    <Box>
      <QuietButton size="xs" aria-expanded={open} onClick={() => setOpen(!open)}>{open ? "Hide its sentences" : "What it does, in sentences"}</QuietButton>
      {open && <Sentences parts={parts} name={name} />}
    </Box>
  );
}

function Sentences({ parts, name }: { parts: readonly string[]; name: Name }): ReactNode {
  const slug = useCourse((state) => state.slug);
  const versions = useCourse((state) => state.versions);
  const { data, error } = useQuery({
    queryKey: ["program", slug, versions],
    queryFn: () => compiledCourse(slug),
  });
  if (error) return <Text color="brick" fontSize="13px">{error.message}</Text>;
  if (!data) return <Spinner size="sm" color="spruce" mt="2" />;
  const rules = data.slides.flatMap((slide) => [...slide.elements, ...slide.overlays.flatMap((overlay) => overlay.elements)])
    .flatMap((element) => element.rules.filter((rule) => rule.block && parts.includes(rule.target ?? "")));
  if (!rules.length) return <Text fontSize="13px" color="quiet" mt="1">It has no sentences: what it shows follows from what was clicked.</Text>;
  return (
    <Box as="ul" listStyleType="none" mt="1" fontSize="13px" lineHeight="1.6">
      {rules.map((rule) => <li key={rule.id}>{ruleWords(rule, name)}</li>)}
    </Box>
  );
}

function ruleWords(rule: ProgramRule, name: Name): string {
  const when = whenWords(rule, name).replace("when", "When");
  const then = rule.then.map((action) => actionWords(action, name)).join(", ");
  const otherwise = rule.otherwise.map((action) => actionWords(action, name)).join(", ");
  const condition = rule.condition === true ? "" : ", if its condition holds";
  return `${when}${condition}: ${then || "nothing"}${otherwise ? `; otherwise ${otherwise}` : ""}.`;
}

function actionWords(action: Action, name: Name): string {
  switch (action.do) {
    case "show":
    case "enable":
    case "disable":
    case "hide": return `${action.do} “${name(action.element)}”`;
    case "toggle": return `show or hide “${name(action.element)}”`;
    case "open":
    case "close": return `${action.do} “${name(action.overlay)}”`;
    case "look": return action.look ? `give “${name(action.element)}” the look ${action.look}` : `give “${name(action.element)}” its own look again`;
    case "set": return "count how far it has come";
    case "go": return action.to === "slide" && action.slide ? `go to “${name(action.slide)}”` : `go to the ${action.to} slide`;
    case "announce": return `say “${action.text}” to a screen reader`;
    default: return action.do;
  }
}
