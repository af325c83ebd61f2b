import { Box, Flex, Input, Text } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { memo, useMemo, useState, type ReactNode } from "react";
import { api, take } from "../../../api/client";
import type { Layout, Slide, Theme } from "../../../api/types";
import { Still } from "../../../player/render/Still";
import { EMPTY_SLIDE } from "../../../player/render/Still";
import { sourcesOf } from "../../../player/render/resolve";
import { changeLayout, makeLayout, updateLayout } from "../../store/slides";
import { changeCourse, useCourse } from "../../store/store";
import { FoldCard } from "../../../kit/FoldCard";
import { QuietButton } from "../../../kit/QuietButton";
import { useRested } from "../../shell/useRested";
import { t } from "../../../words/editor";

const WIDTH = 112;

/** Layouts as small pictures: what the slide follows, and what it could. */
export function LayoutPicker({ slide }: { slide: Slide }): ReactNode {
  const layouts = useLayouts();
  const own = useCourse((state) => state.course.layouts);
  const [naming, setNaming] = useState(false);
  const rested = useRested();
  const current = own.find((layout) => layout.id === slide.layout);
  const differs = slide.background != null || slide.elements.some((element) => element.slot && element.own.length);

  function finish(name: string): void {
    setNaming(false);
    if (name.trim()) void makeLayout(name.trim());
  }

  return (
    <FoldCard title={t("layout")}>
      <Text fontSize="12.5px" color="quiet" mb="2">{current ? t("usesName", { name: current.name }) : t("usesNoLayout")}</Text>
      {rested && <Layouts layouts={layouts} current={slide.layout ?? null} onPick={(id) => void changeLayout(id)} />}
      <Flex gap="2" mt="2" wrap="wrap">
        {slide.layout && <QuietButton size="xs" onClick={() => void changeLayout(null)}>{t("useNoLayout")}</QuietButton>}
        {current && differs && (
          <QuietButton size="xs" onClick={() => void updateLayout()}>{t("updateTheLayoutFromThis")}</QuietButton>
        )}
        {naming ? (
          <Input
            size="xs" autoFocus placeholder={t("nameOfTheLayout")} aria-label={t("nameOfTheLayout")} maxLength={200}
            onBlur={(event) => finish(event.target.value)}
            onKeyDown={(event) => {
              if (event.key === "Enter") finish(event.currentTarget.value);
              if (event.key === "Escape") setNaming(false);
            }}
          />
        ) : <QuietButton size="xs" onClick={() => setNaming(true)}>{t("newLayoutFromThisSlide")}</QuietButton>}
      </Flex>
      {current && <LayoutName layout={current} />}
    </FoldCard>
  );
}

function LayoutName({ layout }: { layout: Layout }): ReactNode {
  const layouts = useCourse((state) => state.course.layouts);
  function rename(name: string): void {
    if (!name.trim()) return;
    changeCourse(t("renameLayout"), { layouts: layouts.map((other) => (other.id === layout.id ? { ...other, name: name.trim() } : other)) });
  }
  return (
    <Input
      key={layout.id} mt="2" size="xs" bg="paper" borderRadius="6px" aria-label={t("renameTheLayout")} defaultValue={layout.name} maxLength={200}
      onBlur={(event) => rename(event.target.value)}
    />
  );
}

/** The course's layouts and the shipped ones it may take in. */
export function useLayouts(): readonly Layout[] {
  const course = useCourse((state) => state.course);
  const { data } = useQuery({
    queryKey: ["layouts", course.layouts, course.size], placeholderData: (before) => before, staleTime: Infinity,
    queryFn: () => take(api.POST("/api/edits/layouts", { body: { course } })),
  });
  return (data ?? []) as Layout[];
}

function Layouts(
  { layouts, current, onPick }: { layouts: readonly Layout[]; current: string | null; onPick: (id: string) => void },
): ReactNode {
  return (
    <Flex gap="2" wrap="wrap" maxH="232px" overflowY="auto" p="2px">
      {layouts.map((layout) => (
        <Box key={layout.id} position="relative">
          <Box borderWidth="1px" borderRadius="6px" overflow="hidden" aria-hidden><LayoutPicture layout={layout} w={WIDTH} /></Box>
          <Text fontSize="11.5px" color="quiet" truncate w={`${WIDTH}px`} aria-hidden>{layout.name}</Text>
          <Box
            as="button" position="absolute" inset="0" borderRadius="6px" cursor="pointer" aria-pressed={layout.id === current}
            aria-label={layout.name} title={layout.name} onClick={() => onPick(layout.id)} data-layout={layout.id}
            outline={layout.id === current ? "2px solid {colors.marigold}" : undefined} _hover={{ boxShadow: "0 0 0 2px {colors.edge}" }}
          />
        </Box>
      ))}
    </Flex>
  );
}

const LayoutPicture = memo(function LayoutPicture({ layout, w }: { layout: Layout; w: number }): ReactNode {
  const size = useCourse((state) => state.course.size);
  const theme: Theme = useCourse((state) => state.course.theme);
  const styles = useCourse((state) => state.course.styles);
  const slide = useMemo(() => {
    const styled = sourcesOf({ styles, layouts: [layout] }).layouts.get(layout.id) ?? layout;
    return { ...EMPTY_SLIDE, id: layout.id, title: layout.name, background: layout.background, elements: styled.elements };
  }, [layout, styles]);
  return <Still slide={slide} size={size} theme={theme} media={NO_MEDIA} scale={w / size.w} />;
});

const NO_MEDIA = {};
