import { Box, Flex, Text } from "@chakra-ui/react";
import { Ban, Copy, X } from "lucide-react";
import type { ReactNode } from "react";
import type { Rule, When } from "../../api/types";
import { Tool } from "../../kit/Tool";
import { Actions } from "./Actions";
import { ConditionEditor } from "./ConditionEditor";
import type { Owner } from "./sentences";
import type { Things } from "./things";
import { WhenWords } from "./WhenWords";

interface Props {
  rule: Rule;
  owner: Owner;
  things: Things;
  onChange: (rule: Rule) => void;
  onRemove: () => void;
  onCopy: () => void;
}

/** One rule as a sentence: When …, if …, do …, otherwise … */
export function Sentence({ rule, owner, things, onChange, onRemove, onCopy }: Props): ReactNode {
  return (
    <Box
      py="2" borderTopWidth="1px" _first={{ borderTopWidth: 0, pt: 0 }} position="relative" lineHeight="2"
      opacity={rule.off ? 0.55 : 1} data-sentence role="group" aria-label="Sentence"
    >
      <Flex wrap="wrap" align="center" gap="1" pr="76px">
        <span>When</span>
        <WhenWords when={rule.when} owner={owner} things={things} onChange={(when: When) => onChange({ ...rule, when })} />
      </Flex>
      <ConditionEditor condition={rule.condition} things={things} onChange={(condition) => onChange({ ...rule, condition })} />
      <Actions
        actions={rule.do} things={things} lead="do" onChange={(actions) => onChange({ ...rule, do: actions })}
      />
      {(rule.condition !== true || rule.otherwise.length > 0) && (
        <Actions
          actions={rule.otherwise} things={things} lead="otherwise" onChange={(otherwise) => onChange({ ...rule, otherwise })}
        />
      )}
      {rule.off && <Text fontSize="12.5px" color="quiet">Switched off: it never runs.</Text>}
      <Flex position="absolute" right="-6px" top="4px">
        <Tool label={rule.off ? "Switch this sentence on" : "Switch this sentence off"} aria-pressed={rule.off} onClick={() => onChange({ ...rule, off: !rule.off })}>
          <Ban size={14} />
        </Tool>
        <Tool label="Copy this sentence" onClick={onCopy}><Copy size={14} /></Tool>
        <Tool label="Remove this sentence" onClick={onRemove}><X size={15} /></Tool>
      </Flex>
    </Box>
  );
}
