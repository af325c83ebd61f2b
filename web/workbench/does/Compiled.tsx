import { Box, Spinner, Text } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useState, type ReactNode } from "react";
import type { ProgramRule } from "../../api/types";
import { compiledCourse } from "../store/compiled";
import { useCourse } from "../store/store";
import { QuietButton } from "../../kit/QuietButton";
import { whenWords } from "./sentences";
import { t } from "../../words/does";

type Action = ProgramRule["then"][number];
type Name = (id: string) => string;

/** What a pattern comes to: the sentences that the course is published with. */
export function Compiled({ parts, name }: { parts: readonly string[]; name: Name }): ReactNode {
  const [open, setOpen] = useState(false);
  return (
    <Box>
      <QuietButton size="xs" aria-expanded={open} onClick={() => setOpen(!open)}>{open ? t("hideItsRules") : t("whatItDoesAsRules")}</QuietButton>
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
  if (!rules.length) return <Text fontSize="13px" color="quiet" mt="1">{t("itHasNoRulesWhat")}</Text>;
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
  const condition = rule.condition === true ? "" : t("ifItsConditionHolds");
  return `${when}${condition}: ${then || "nothing"}${otherwise ? `; otherwise ${otherwise}` : ""}.`;
}

function actionWords(action: Action, name: Name): string {
  switch (action.do) {
    case "show":
    case "enable":
    case "disable":
    case "hide": return `${action.do} “${name(action.element)}”`;
    case "toggle": return t("showOrHideName", { name: name(action.element) });
    case "open":
    case "close": return `${action.do} “${name(action.overlay)}”`;
    case "look": return action.look ? t("giveNameTheLookLook", { name: name(action.element), look: action.look }) : t("giveNameItsOwnLook", { name: name(action.element) });
    case "set": return t("countHowFarItHas");
    case "go": return action.to === "slide" && action.slide ? t("goToName", { name: name(action.slide) }) : t("goToTheToSlide", { to: action.to });
    case "announce": return t("announceTextToScreenReaders", { text: action.text });
    default: return action.do;
  }
}
