import { Box, Flex, Heading, Input, Stack, Text } from "@chakra-ui/react";
import { Copy, Eye, EyeOff, Group, Lock, LockOpen, Trash2, Ungroup } from "lucide-react";
import { memo, useMemo, useState, type ReactNode } from "react";
import type { Element, Slide } from "../../api/types";
import { duplicateSelected } from "../store/clipboard";
import { groupSelected, removeSelected, renameElement, toggleSelected, ungroupSelected } from "../store/commands";
import { Tip } from "../../kit/Tip";
import { Tool } from "../../kit/Tool";
import { ArrangeCard } from "./cards/ArrangeCard";
import { CourseCards } from "./cards/CourseCards";
import { Does } from "../does/Does";
import { OverlayCards } from "../does/OverlayCards";
import { PasteForAll } from "../does/Rules";
import { PatternCards } from "../does/PatternCards";
import { JoinCard } from "../judges/JoinCard";
import { Following } from "../judges/Following";
import { Judges } from "../judges/Judges";
import { elementsOf } from "../judges/parts";
import { overlayIn, useOverlay } from "./stage/overlays";
import { Looks } from "./cards/Looks";
import { Says } from "./cards/Says";
import { MovesCard } from "../timing/MovesCard";
import { SlideCards } from "./cards/SlideCards";
import { useUnhurried } from "./cards/useUnhurried";
import { t } from "../../words/editor";

/** The cards: the settings of what is selected, and only those. */
export function Cards(): ReactNode {
  const [{ slide, selected }, catchUp] = useUnhurried();
  const overlay = useOverlay((state) => state.overlay);
  const edited = overlayIn(slide, overlay);
  // The same list as long as it is about the same: what does not concern the cards draws none of them.
  const elements = useMemo(() => selected.flatMap((id) => slide?.elements.find((element) => element.id === id) ?? []), [slide, selected]);
  if (!slide) return <Stack p="3" gap="3"><CourseCards slide={null} /></Stack>;
  return (
    <div data-about={selected.join(" ")} onPointerEnter={catchUp} onPointerDownCapture={catchUp} onFocusCapture={catchUp} onBlur={catchUp}>
      {elements.length ? <ElementCards slide={slide} elements={elements} /> : (
        <Stack p="3" gap="3">
          {edited ? <OverlayCards slide={slide} overlay={edited} /> : <><SlideCards slide={slide} /><CourseCards slide={slide} /></>}
        </Stack>
      )}
    </div>
  );
}

/** The cards of one element, or of several. */
const ElementCards = memo(function ElementCards({ slide, elements }: { slide: Slide; elements: readonly Element[] }): ReactNode {
  const only = elements.length === 1 ? elements[0] : undefined;
  const asked = questionsOf(slide, elements);
  return (
    <Stack p="3" gap="2.5">
      <Flex align="center" justify="space-between" gap="2">
        {only ? <NameField key={only.id} element={only} /> : (
          <Heading as="h2" fontSize="16px" fontFamily="body" truncate>{t("elements", { count: elements.length })}</Heading>
        )}
        <Tools elements={elements} />
      </Flex>
      {asked.map((question) => (
        <Following key={question.id} slide={slide.id} question={question}>
          {(cameTo) => <Judges slide={slide} question={cameTo} />}
        </Following>
      ))}
      {only && <Says element={only} />}
      {!only && <ArrangeCard many />}
      {only && <PatternCards slide={slide} of={only.id} />}
      <Looks elements={elements} />
      {only && <Does element={only} slide={slide} submits={submitted(slide, only)} />}
      {!asked.length && <JoinCard slide={slide} elements={elements} />}
      {only && <ArrangeCard many={false} />}
      {only && only.kind !== "group" && <MovesCard element={only} />}
      {!only && (
        <>
          <PasteForAll elements={elements} slide={slide} />
          <Box px="1"><Text color="quiet" fontSize="13px">{t("textAndInteractionAreSet")}</Text></Box>
        </>
      )}
    </Stack>
  );
});

/** The name of the element as the cards' heading, to type over. */
function NameField({ element }: { element: Element }): ReactNode {
  const [draft, setDraft] = useState<string | null>(null);
  const leave = (): void => {
    if (draft !== null && draft !== element.name) renameElement(element.id, draft);
    setDraft(null);
  };
  return (
    <Tip label={t("nameOnlyYouSeeIt")}>
      <Input
        aria-label={t("nameOnlyYouSeeIt")} value={draft ?? element.name} size="xs" variant="flushed" borderColor="transparent" fontSize="16px" fontWeight="700"
        flex="1" minW="0" textOverflow="ellipsis" maxLength={200} onChange={(event) => setDraft(event.target.value)} onBlur={leave}
        onKeyDown={(event) => { if (event.key === "Enter" || event.key === "Escape") event.currentTarget.blur(); }}
      />
    </Tip>
  );
}

function Tools({ elements }: { elements: readonly Element[] }): ReactNode {
  const locked = elements.every((element) => element.locked);
  const hidden = elements.every((element) => element.hidden_while_editing);
  const grouped = elements.some((element) => element.kind === "group");
  return (
    <Flex flex="none">
      {elements.length > 1 && <Tool label={t("groupCtrlG")} onClick={() => void groupSelected()}><Group size={16} /></Tool>}
      {grouped && <Tool label={t("ungroupCtrlShiftG")} onClick={() => void ungroupSelected()}><Ungroup size={16} /></Tool>}
      <Tool label={locked ? t("unlock") : t("lock")} aria-pressed={locked} onClick={() => toggleSelected("locked")}>
        {locked ? <Lock size={16} /> : <LockOpen size={16} />}
      </Tool>
      <Tool label={hidden ? t("showAgain") : t("hideWhileEditing")} aria-pressed={hidden} onClick={() => toggleSelected("hidden_while_editing")}>
        {hidden ? <EyeOff size={16} /> : <Eye size={16} />}
      </Tool>
      <Tool label={t("duplicateCtrlD")} onClick={() => void duplicateSelected()}><Copy size={16} /></Tool>
      <Tool label={t("deleteDel")} onClick={() => void removeSelected()}><Trash2 size={16} /></Tool>
    </Flex>
  );
}

function questionsOf(slide: Slide, elements: readonly Element[]): Slide["questions"] {
  const ids = new Set(elements.map((element) => element.id));
  return slide.questions.filter((question) => elementsOf(question).some((part) => ids.has(part)));
}

function submitted(slide: Slide, element: Element): string | null {
  return slide.questions.find((question) => question.submit === element.id)?.name ?? null;
}
