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

/** The sentence that was copied, to be pasted to one or many owners. */
const useCopied = create<{ rule: Rule | null; from: string | null }>(() => ({ rule: null, from: null }));

interface Props {
  rules: readonly Rule[];
  owner: Owner;
  slide: Slide | null;
  onChange: (label: string, rules: Rule[]) => void;
  empty: string;
}

/** The sentences of one owner, with copying, pasting and adding. */
export function Rules({ rules, owner, slide, onChange, empty }: Props): ReactNode {
  const things = useThings(slide);
  const { rule: copied, from } = useCopied();
  const add = (): void => {
    const event = owner.kind === "element" ? "clicked" : owner.kind === "overlay" ? "overlay_opened" : "slide_entered";
    const first = newRule(newWhen(event, []));
    // The first thing that something clicked does is mostly to lead on.
    const go: Rule["do"] = owner.kind === "element" && !rules.length ? [{ action: "go", go: { to: "next" } }] : [];
    onChange("Add sentence", [...rules, { ...first, do: go }]);
  };
  const paste = (): void => {
    if (copied) onChange("Paste sentence", [...rules, slide ? shifted(copied, from, owner, slide) : { ...copied, id: freshId() }]);
  };
  return (
    <>
      {!rules.length && <Text color="quiet" fontSize="13px" mb="2">{empty}</Text>}
      {rules.map((rule, index) => (
        <Sentence
          key={rule.id} {...{ rule, owner, things }}
          onChange={(next) => onChange("Change sentence", rules.map((r, n) => (n === index ? next : r)))}
          onRemove={() => onChange("Remove sentence", rules.filter((_, n) => n !== index))}
          onCopy={() => useCopied.setState({ rule, from: owner.id })}
        />
      ))}
      <Flex gap="2" mt="1" wrap="wrap">
        <QuietButton size="xs" onClick={add}>
          <Plus size={14} /> {owner.kind === "element" && !rules.length ? "When it is clicked …" : "Add a sentence"}
        </QuietButton>
        {copied && <QuietButton size="xs" onClick={paste}><ClipboardPaste size={14} /> Paste the copied sentence</QuietButton>}
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
      size="xs" alignSelf="start" onClick={() => changeElements("Paste sentence", ids, (e) => (
        { ...e, rules: [...e.rules, shifted(rule, from, e, slide)] } as Element
      ))}
    >
      <ClipboardPaste size={14} /> Paste the copied sentence to all {elements.length}
    </QuietButton>
  );
}
