import { Box, Flex, Text } from "@chakra-ui/react";
import { Plus, X } from "lucide-react";
import type { ReactNode } from "react";
import type { RuleAction } from "../../api/types";
import { Tool } from "../../kit/Tool";
import { ActionEditor, verbs } from "./ActionEditor";
import { newAction } from "./sentences";
import type { Things } from "./things";
import { WordChoice } from "./Word";

/** What is done, one after the other. */
export function Actions(
  { actions, things, lead, onChange }: {
    actions: readonly RuleAction[]; things: Things; lead: string; onChange: (actions: RuleAction[]) => void;
  },
): ReactNode {
  const add = (name: string): void => {
    const made = newAction(name as RuleAction["action"], things);
    if (made) onChange([...actions, made]);
  };
  return (
    <Box>
      {actions.map((action, index) => (
        <Flex key={index} wrap="wrap" align="center" gap="1">
          <Text as="span" color={index ? "quiet" : undefined}>{index ? "then" : lead}</Text>
          <ActionEditor action={action} things={things} onChange={(next) => onChange(actions.map((a, n) => (n === index ? next : a)))} />
          <Tool label="Remove this action" onClick={() => onChange(actions.filter((_, n) => n !== index))}><X size={13} /></Tool>
        </Flex>
      ))}
      <Flex align="center" gap="1" color="quiet">
        <Plus size={12} />
        <WordChoice
          label={lead === "do" ? "Add an action" : "Add an action otherwise"} value="" onChange={add}
          options={[["", actions.length ? "then …" : `${lead} …`]]} groups={verbs(things)}
        />
      </Flex>
    </Box>
  );
}
