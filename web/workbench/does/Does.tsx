/** Does: what happens, as sentences whose coloured words are choices. */
import { Text } from "@chakra-ui/react";
import type { ReactNode } from "react";
import type { Element, Slide } from "../../api/types";
import { changeElements } from "../store/store";
import { FoldCard } from "../ui/parts";
import { Rules } from "./Rules";
import { Word } from "./Word";

export function Does({ element, slide, submits }: { element: Element; slide: Slide; submits: string | null }): ReactNode {
  const owner = { kind: "element" as const, id: element.id, name: element.name, element: element.kind };
  return (
    <FoldCard title="Does">
      {submits && (
        <Text mb="2" lineHeight="2">
          When <Word>{element.name}</Word> is <Word>clicked</Word>, submit <Word>{submits}</Word>.
        </Text>
      )}
      <Rules
        rules={element.rules} owner={owner} slide={slide}
        empty={submits ? "Nothing more happens." : "Nothing happens when it is clicked."}
        onChange={(label, rules) => changeElements(label, [element.id], (e) => ({ ...e, rules }) as Element, `rules-${element.id}-${label}`)}
      />
    </FoldCard>
  );
}
