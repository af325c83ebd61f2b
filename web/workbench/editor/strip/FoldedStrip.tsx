import { Flex, Text } from "@chakra-ui/react";
import { ChevronDown, ChevronLeft, ChevronRight, Plus } from "lucide-react";
import type { ReactNode } from "react";
import { Tool } from "../../../kit/Tool";
import { addSlide } from "../../store/slides";
import { goToSlide, useCourse } from "../../store/store";
import { toggleView } from "../stage/view";
import { t } from "../../../words/editor";

/** The route strip as one line: where the slide stands, and its neighbours. */
export function FoldedStrip(): ReactNode {
  const order = useCourse((state) => state.course.slides);
  const current = useCourse((state) => state.selection.slide);
  const title = useCourse((state) => state.slides[state.selection.slide ?? ""]?.title);
  const at = order.indexOf(current ?? "");
  const step = (by: -1 | 1): void => { const next = order[at + by]; if (next) goToSlide(next); };
  return (
    <Flex h="36px" px="3" gap="1" align="center" borderBottomWidth="1px" bg="paper" flex="none" data-pane="strip" as="nav" aria-label={t("route")}>
      <Tool label={t("previousSlideAlt")} disabled={at < 1} onClick={() => step(-1)}><ChevronLeft size={16} /></Tool>
      <Tool label={t("nextSlideAlt")} disabled={at < 0 || at === order.length - 1} onClick={() => step(1)}><ChevronRight size={16} /></Tool>
      <Text truncate fontWeight="600" ml="1">{at < 0 ? "" : t("slideNOfAllTitle", { n: at + 1, all: order.length, title: title || t("untitled") })}</Text>
      <Flex flex="1" />
      <Tool label={t("addASlide")} onClick={() => void addSlide()}><Plus size={16} /></Tool>
      <Tool label={t("showTheRoute")} aria-expanded={false} onClick={() => toggleView("strip")}><ChevronDown size={16} /></Tool>
    </Flex>
  );
}
