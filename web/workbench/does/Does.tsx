import { Text } from "@chakra-ui/react";
import type { ReactNode } from "react";
import type { Element, Slide } from "../../api/types";
import { changeElements } from "../store/store";
import { FoldCard } from "../../kit/FoldCard";
import { DragFields } from "./DragFields";
import { partsOf } from "./patterns";
import { Rules } from "./Rules";
import { ShownWhen } from "./ShownWhen";
import { Word } from "./Word";
import { t } from "../../words/does";

/** Does: what happens, as sentences whose coloured words are choices. */
export function Does({ element, slide, submits }: { element: Element; slide: Slide; submits: string | null }): ReactNode {
  const owner = { kind: "element" as const, id: element.id, name: element.name, element: element.kind };
  const part = slide.patterns.find((pattern) => partsOf(pattern).includes(element.id));
  return (
    <FoldCard title={t("does")} noun={t("interaction")}>
      {part && <Text mb="2">{t("itIsPartOfName", { name: part.name })}</Text>}
      {submits && (
        <Text mb="2" lineHeight="2">
          {t("when")}{" "}<Word>{element.name}</Word>{" "}{t("is")}{" "}<Word>{t("clicked2")}</Word>{t("submit")}{" "}<Word>{submits}</Word>.
        </Text>
      )}
      <ShownWhen element={element} slide={slide} />
      <Rules
        rules={element.rules} owner={owner} slide={slide}
        empty={submits || part ? t("nothingMoreHappens") : t("nothingHappensWhenItIs")}
        onChange={(label, rules) => changeElements(label, [element.id], (e) => ({ ...e, rules }) as Element, `rules-${element.id}-${label}`)}
      />
      {element.kind !== "input" && element.kind !== "group" && <DragFields element={element} slide={slide} />}
    </FoldCard>
  );
}
