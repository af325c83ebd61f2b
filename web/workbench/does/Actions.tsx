import { Text } from "@chakra-ui/react";
import { X } from "lucide-react";
import type { ReactNode } from "react";
import type { RuleAction } from "../../api/types";
import { Tool } from "../../kit/Tool";
import { ActionEditor, verbs } from "./ActionEditor";
import { newAction } from "./sentences";
import type { Things } from "./things";
import { WordChoice } from "./Word";
import { t } from "../../words/does";

interface Props {
  actions: readonly RuleAction[];
  things: Things;
  /** Whether they are what is done where the condition does not hold. */
  otherwise?: boolean;
  onChange: (actions: RuleAction[]) => void;
}

/** What is done, one after the other, as words of a sentence. */
export function Actions({ actions, things, otherwise = false, onChange }: Props): ReactNode {
  const add = (name: string): void => {
    const made = newAction(name as RuleAction["action"], things);
    if (made) onChange([...actions, made]);
  };
  return (
    <>
      {actions.map((action, index) => (
        <Text as="span" display="contents" key={index}>
          {index > 0 && <Text as="span" color="quiet">{t("then")}</Text>}
          <ActionEditor action={action} things={things} onChange={(next) => onChange(actions.map((a, n) => (n === index ? next : a)))} />
          <Tool label={t("removeThisAction")} data-changes minW="20px" h="22px" onClick={() => onChange(actions.filter((_, n) => n !== index))}><X size={13} /></Tool>
        </Text>
      ))}
      <Text as="span" {...(actions.length ? { "data-changes": true } : {})}>
        <WordChoice
          label={otherwise ? t("addAnActionOtherwise") : t("addAnAction")} tone="more" value="" onChange={add}
          options={[["", actions.length ? t("plusThen") : t("plusAction")]]} groups={verbs(things)}
        />
      </Text>
    </>
  );
}
