/** Which elements will be the things of a question and which the targets, before it is made. */
import { Box, chakra, Flex, Text } from "@chakra-ui/react";
import { ArrowLeftRight } from "lucide-react";
import type { ReactNode } from "react";
import type { Question, Roles, Slide } from "../../api/types";
import { MainButton } from "../../kit/MainButton";
import { QuietButton } from "../../kit/QuietButton";
import { makeQuestion } from "./making";
import { partWords } from "./parts";
import { t } from "../../words/judges";

interface Props {
  slide: Slide;
  kind: Question["kind"];
  roles: Roles;
  onChange: (roles: Roles | null) => void;
}

const MAKE = { item: t("makeItAnItem"), target: t("makeItATarget") } as const;

/** A click on a name gives it the other role. */
export function RolesCard({ slide, kind, roles, onChange }: Props): ReactNode {
  const words = (element: string): string => partWords(slide, { id: element, element });
  const other = (element: string): void => {
    const isItem = roles.items.includes(element);
    onChange({
      items: isItem ? roles.items.filter((id) => id !== element) : [...roles.items, element],
      targets: isItem ? [...roles.targets, element] : roles.targets.filter((id) => id !== element),
    });
  };
  const list = (title: string, ids: readonly string[], role: "item" | "target"): ReactNode => (
    <Box role="group" aria-label={title} mb="1.5">
      <Text fontSize="12.5px" fontWeight="700" color="quiet">{title}</Text>
      {!ids.length && <Text fontSize="12.5px" color="brick">{t("noneYetClickOneOf")}</Text>}
      <Flex gap="1" wrap="wrap">
        {ids.map((id) => (
          <chakra.button
            key={id} type="button" px="2" py="0.5" fontSize="12.5px" bg="sheet" borderWidth="1px" borderRadius="6px" maxW="100%" truncate
            aria-label={`${words(id)}: ${MAKE[role]}`} title={MAKE[role]} onClick={() => other(id)}
          >
            {words(id)}
          </chakra.button>
        ))}
      </Flex>
    </Box>
  );
  return (
    <Box bg="paper" borderRadius="6px" p="2">
      {list(t("items"), roles.items, "target")}
      {list(kind === "matching" ? t("matchedWith") : t("targets"), roles.targets, "item")}
      <Flex gap="1.5" wrap="wrap" mt="2">
        <QuietButton size="xs" onClick={() => onChange({ items: roles.targets, targets: roles.items })}><ArrowLeftRight size={14} />{t("swap")}</QuietButton>
        <Box flex="1" />
        <QuietButton size="xs" onClick={() => onChange(null)}>{t("cancel")}</QuietButton>
        <MainButton size="xs" disabled={!roles.items.length || !roles.targets.length} onClick={() => { onChange(null); void makeQuestion(kind, roles); }}>{t("makeIt")}</MainButton>
      </Flex>
    </Box>
  );
}
