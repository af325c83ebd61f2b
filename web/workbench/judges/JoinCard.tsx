import { chakra, Flex, Stack, Text } from "@chakra-ui/react";
import { useState, type ReactNode } from "react";
import { QUESTIONS } from "../../api/tables";
import type { Element, Question, Roles, Slide } from "../../api/types";
import { Labelled } from "../../kit/Labelled";
import { FoldCard } from "../../kit/FoldCard";
import { QuietButton } from "../../kit/QuietButton";
import { attempt } from "../store/commands";
import { guessRoles, makeQuestion } from "./making";
import { RolesCard } from "./RolesCard";
import { joinParts, KINDS, ROLES, type PartList } from "./parts";
import { t } from "../../words/judges";

interface Props { slide: Slide; elements: readonly Element[] }

/** What is no part of a question yet: it can become one, or a question can be made of it. */
export function JoinCard({ slide, elements }: Props): ReactNode {
  const ids = elements.map(({ id }) => id);
  const key = ids.join(" ");
  const [asked, ask] = useState<{ key: string; kind: Question["kind"]; roles: Roles } | null>(null);
  const make = (kind: Question["kind"]): void => {
    if (QUESTIONS[kind].form !== "pairs") void makeQuestion(kind);
    else void attempt(async () => ask({ key, kind, roles: await guessRoles(ids) }));
  };
  return (
    <FoldCard title={t("makeItAQuestion")} starts={elements.length > 1 ? "open" : "closed"}>
      <Stack gap="2">
        {slide.questions.map((question) => (
          <Flex key={question.id} gap="1.5" wrap="wrap" align="center">
            <Text fontSize="12.5px" color="quiet">{t("addToNameAs", { name: question.name })}</Text>
            {rolesIn(question, elements).map(([where, word]) => (
              <QuietButton key={where} size="xs" onClick={() => void joinParts(question, where, ids)}>{word}</QuietButton>
            ))}
          </Flex>
        ))}
        <Labelled label={t("kind")}>
          <chakra.select
            aria-label={t("makeItAQuestion")} value="" w="100%" bg="paper" borderWidth="1px" borderRadius="6px" fontSize="13px" px="1.5" py="1"
            onChange={(event) => make(event.target.value as Question["kind"])}
          >
            <option value="" disabled>{t("kindOfQuestion")}</option>
            {KINDS.map(([kind, word]) => <option key={kind} value={kind}>{word}</option>)}
          </chakra.select>
        </Labelled>
        {asked?.key === key && (
          <RolesCard slide={slide} kind={asked.kind} roles={asked.roles} onChange={(roles) => ask(roles && { ...asked, roles })} />
        )}
        <Text fontSize="12px" color="quiet">{t("theSelectedElementsBecomeIts")}</Text>
      </Stack>
    </FoldCard>
  );
}

/** What the elements can be in a question. */
function rolesIn(question: Question, elements: readonly Element[]): [PartList | "prompt", string][] {
  const roles: [PartList | "prompt", string][] = [];
  for (const list of ["choices", "items", "targets", "spots", "rows"] as const) {
    if (list in question && (list !== "rows" || elements.every(({ kind }) => kind === "input"))) roles.push([list, ROLES[list]]);
  }
  if (!question.prompt && elements.length === 1 && (elements[0]?.kind === "text" || elements[0]?.kind === "shape")) roles.push(["prompt", t("questionText")]);
  return roles;
}
