import { Text } from "@chakra-ui/react";
import type { ReactNode } from "react";
import type { Element, Slide } from "../../api/types";
import { changeElements } from "../store/store";
import { FoldCard } from "../../kit/FoldCard";
import { DragFields } from "./DragFields";
import { partsOf } from "./patterns";
import { Rules } from "./Rules";
import { Word } from "./Word";

/** Does: what happens, as sentences whose coloured words are choices. */
export function Does({ element, slide, submits }: { element: Element; slide: Slide; submits: string | null }): ReactNode {
  const owner = { kind: "element" as const, id: element.id, name: element.name, element: element.kind };
  const part = slide.patterns.find((pattern) => partsOf(pattern).includes(element.id));
  return (
    <FoldCard title="Does">
      {part && <Text mb="2">It takes part in “{part.name}”, above.</Text>}
      {submits && (
        <Text mb="2" lineHeight="2">
          When <Word>{element.name}</Word> is <Word>clicked</Word>, submit <Word>{submits}</Word>.
        </Text>
      )}
      <Rules
        rules={element.rules} owner={owner} slide={slide}
        empty={submits || part ? "Nothing more happens." : "Nothing happens when it is clicked."}
        onChange={(label, rules) => changeElements(label, [element.id], (e) => ({ ...e, rules }) as Element, `rules-${element.id}-${label}`)}
      />
      {element.kind !== "input" && element.kind !== "group" && <DragFields element={element} slide={slide} />}
    </FoldCard>
  );
}
