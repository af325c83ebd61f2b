import { Box, Flex, NativeSelect, Text } from "@chakra-ui/react";
import type { ReactNode } from "react";
import type { Element } from "../../../api/types";
import { arrangeSelected } from "../../store/commands";
import { freeName } from "../../store/names";
import { applyStyle, copyStyle, followStyle, makeStyle, restyle, updateStyleFrom } from "../../store/styles";
import { changeElements, useCourse } from "../../store/store";
import { EditedLook } from "../../looks/EditedLook";
import { Fold } from "../../../kit/Fold";
import { FoldCard } from "../../../kit/FoldCard";
import { QuietButton } from "../../../kit/QuietButton";
import { Labelled } from "../../../kit/Labelled";
import { NumberField } from "../../../kit/NumberField";
import { Pair } from "../../../kit/Pair";
import { withMembers } from "../stage/geometry";
import { KindFields } from "./ElementFields";
import { partsOf, StyleFields } from "./StyleFields";
import { t } from "../../../words/editor";

/** Looks: place, size and style of what is selected. */
export function Looks({ elements }: { elements: readonly Element[] }): ReactNode {
  const ids = elements.map((element) => element.id);
  const first = elements[0] as Element;
  const only = elements.length === 1;
  const group = elements.every((element) => element.kind === "group");

  function change(label: string, part: Partial<Element>): void {
    changeElements(label, ids, (e) => ({ ...e, ...part }) as Element, `${label}-${ids.join()}`);
  }

  /** A group is moved with all that is in it. */
  function place(part: { x?: number; y?: number }): void {
    if (first.kind !== "group") return change(t("place"), part);
    const { slides, selection: at } = useCourse.getState();
    const elementsHere = slides[at.slide ?? ""]?.elements ?? [];
    const dx = part.x === undefined ? 0 : part.x - first.x;
    const dy = part.y === undefined ? 0 : part.y - first.y;
    changeElements(t("place"), [...withMembers(elementsHere, [first.id])], (e) => ({ ...e, x: e.x + dx, y: e.y + dy }), `Place-${first.id}`);
  }

  return (
    <FoldCard title={t("looks")} noun={t("style")}>
      {only && <EditedLook element={first} />}
      {only && <KindFields element={first} />}
      {!group && (
        <>
          <StyleFields style={first.style} parts={partsOf(elements)} onChange={(part) => restyle(elements, part)} />
          <Fold title={t("namedStyle")}>
            <NamedStyleField elements={elements} />
            <Flex gap="2" mt="1" wrap="wrap">
              {only && <QuietButton size="xs" onClick={copyStyle} title="Ctrl Alt C">{t("copyStyle")}</QuietButton>}
              <QuietButton size="xs" onClick={applyStyle} title="Ctrl Alt V">{t("pasteStyle")}</QuietButton>
            </Flex>
          </Fold>
        </>
      )}
      {only && (
        <Fold title={t("positionAndSize")}>
          <Pair columns={3}>
            <NumberField label={t("left")} value={first.x} onChange={(x) => place({ x })} />
            <NumberField label={t("top")} value={first.y} onChange={(y) => place({ y })} />
            {!group && <NumberField label={t("width")} value={first.w} min={0} onChange={(w) => change(t("size"), { w })} />}
            {!group && <NumberField label={t("height")} value={first.h} min={0} onChange={(h) => change(t("size"), { h })} />}
            {!group && <NumberField label={t("rotation")} value={first.turn} min={-360} max={360} onChange={(turn) => change(t("rotate"), { turn })} />}
          </Pair>
          {group && (
            <QuietButton size="xs" onClick={() => void arrangeSelected(t("rotate"), { turn: 15 })}>{t("rotateBy15")}</QuietButton>
          )}
        </Fold>
      )}
    </FoldCard>
  );
}

/** The named style that is followed, and in what the element goes its own way. */
function NamedStyleField({ elements }: { elements: readonly Element[] }): ReactNode {
  const styles = useCourse((state) => state.course.styles);
  const first = elements[0] as Element;
  const named = styles.find((style) => style.id === first.named_style);
  const own = named ? first.own.filter((name) => name !== "box") : [];
  const make = (): void => makeStyle(first, freeName(first.name, styles.map((style) => style.name)));
  return (
    <Box mb="1">
      <Labelled label={t("namedStyle")} help={t("helpNamedStyle")}>
        <NativeSelect.Root size="xs">
          <NativeSelect.Field
            aria-label={t("namedStyle")} bg="paper" borderRadius="6px" value={named?.id ?? ""}
            onChange={(event) => (event.currentTarget.value === "+" ? make() : followStyle(event.currentTarget.value || null))}
          >
            <option value="">{t("none")}</option>
            {styles.map((style) => <option key={style.id} value={style.id}>{style.name}</option>)}
            {elements.length === 1 && <option value="+">{t("newStyleFromThis")}</option>}
          </NativeSelect.Field>
          <NativeSelect.Indicator />
        </NativeSelect.Root>
      </Labelled>
      {own.length > 0 && named && (
        <Box fontSize="12.5px" color="quiet" mb="1">
          <Text>{t("differentFromTheStyle")}{" "}{own.map((name) => name.replaceAll("_", " ")).join(", ")}.</Text>
          <Flex gap="2" mt="1" wrap="wrap">
            <QuietButton size="2xs" px="2" onClick={() => followStyle(named.id)}>{t("resetToTheStyle")}</QuietButton>
            {elements.length === 1 && (
              <QuietButton size="2xs" px="2" onClick={() => updateStyleFrom(first)}>{t("updateTheStyleFromThis")}</QuietButton>
            )}
          </Flex>
        </Box>
      )}
    </Box>
  );
}
