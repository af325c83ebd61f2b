import { Flex, Text } from "@chakra-ui/react";
import { ClipboardPaste, Plus } from "lucide-react";
import type { ReactNode } from "react";
import { create } from "zustand";
import type { Element, Rule, Slide } from "../../api/types";
import { freshId } from "../store/ids";
import { changeElements } from "../store/store";
import { QuietButton } from "../../kit/QuietButton";
import { newRule, newWhen, type Owner } from "./sentences";
import { Sentence } from "./Sentence";
import { shifted } from "./shifting";
import { useThings } from "./things";
import { t } from "../../words/does";

/** The sentence that was copied, to be pasted to one or many owners. */
const useCopied = create<{ rule: Rule | null; from: string | null }>(() => ({ rule: null, from: null }));

interface Props {
  rules: readonly Rule[];
  owner: Owner;
  slide: Slide | null;
  onChange: (label: string, rules: Rule[]) => void;
  empty: string;
  /** What rules may be added for, each with a button of its own; else what is likeliest. */
  starts?: readonly (readonly [event: Rule["when"]["event"], words: string])[];
}

/** What most often starts a rule of such an owner. */
function likeliest(owner: Owner): Rule["when"]["event"] {
  if (owner.kind === "overlay") return "overlay_opened";
  if (owner.kind !== "element") return "slide_entered";
  switch (owner.element) {
    case "input": return "entered";
    case "video": case "audio": return "media_ended";
    default: return "clicked";
  }
}

/** The sentences of one owner, with copying, pasting and adding. */
export function Rules({ rules, owner, slide, onChange, empty, starts }: Props): ReactNode {
  const things = useThings(slide);
  const { rule: copied, from } = useCopied();
  const add = (event: Rule["when"]["event"]): void => {
    const first = newRule(newWhen(event, []));
    // The first thing that something clicked does is mostly to lead on.
    const go: Rule["do"] = event === "clicked" && !rules.length ? [{ action: "go", go: { to: "next" } }] : [];
    onChange(t("addRule"), [...rules, { ...first, do: go }]);
  };
  const paste = (): void => {
    if (copied) onChange(t("pasteRule"), [...rules, slide ? shifted(copied, from, owner, slide) : { ...copied, id: freshId() }]);
  };
  return (
    <>
      {!rules.length && <Text color="quiet" fontSize="13px" mb="2">{empty}</Text>}
      {rules.map((rule, index) => (
        <Sentence
          key={rule.id} {...{ rule, owner, things }}
          onChange={(next) => onChange(t("changeRule"), rules.map((r, n) => (n === index ? next : r)))}
          onRemove={() => onChange(t("removeRule"), rules.filter((_, n) => n !== index))}
          onCopy={() => useCopied.setState({ rule, from: owner.id })}
        />
      ))}
      <Flex gap="2" mt="1" wrap="wrap">
        {starts ? starts.map(([event, words]) => (
          <QuietButton key={event} size="xs" onClick={() => add(event)}><Plus size={14} /> {words}</QuietButton>
        )) : (
          <QuietButton size="xs" onClick={() => add(likeliest(owner))}>
            <Plus size={14} /> {rules.length ? t("anotherRule") : t("addARule")}
          </QuietButton>
        )}
        {copied && <QuietButton size="xs" onClick={paste}><ClipboardPaste size={14} />{t("pasteTheCopiedRule")}</QuietButton>}
      </Flex>
    </>
  );
}

/** The copied sentence for all of several elements at once. */
export function PasteForAll({ elements, slide }: { elements: readonly Element[]; slide: Slide }): ReactNode {
  const { rule, from } = useCopied();
  if (!rule) return null;
  const ids = elements.map(({ id }) => id);
  return (
    <QuietButton
      size="xs" alignSelf="start" onClick={() => changeElements(t("pasteRule"), ids, (e) => (
        { ...e, rules: [...e.rules, shifted(rule, from, e, slide)] } as Element
      ))}
    >
      <ClipboardPaste size={14} />{t("pasteTheCopiedRuleTo", { elements: elements.length })}
    </QuietButton>
  );
}
