/** Earlier states: of this slide and of the course, side by side with the present, and back. */
import { Box, Dialog, Flex, Heading, Portal, Text } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useMemo, useState, type ReactNode } from "react";
import { api, take } from "../../../api/client";
import type { components } from "../../../api/api";
import type { Course, Slide } from "../../../api/types";
import { following, sourcesOf } from "../../../player/render/resolve";
import { attempt } from "../../store/commands";
import { saveAll } from "../../store/saver";
import { apply, useCourse } from "../../store/store";
import { MainButton } from "../../../kit/MainButton";
import { QuietButton } from "../../../kit/QuietButton";
import { SlidePicture } from "../../shell/SlidePicture";
import { sayDone } from "../../../kit/toaster";
import { ago } from "../../../kit/units";
import { Choose } from "../../../kit/Choose";
import { t } from "../../../words/editor";

type State = components["schemas"]["StateOut"];
const OF = [["slide", t("thisSlide2")], ["course", t("theWholeCourse")]] as const;

/** Earlier states of the slide or the course, each of which can be had back. */
export function VersionHistory(): ReactNode {
  const [of, setOf] = useState<"slide" | "course">("slide");
  return (
    <Box p="3">
      <Heading as="h2" fontSize="14px" fontFamily="body" fontWeight="700" mb="1">{t("versionHistory")}</Heading>
      <Choose label={t("of")} value={of} options={OF} onChange={setOf} />
      {of === "slide" ? <SlideStates /> : <CourseStates />}
    </Box>
  );
}

function SlideStates(): ReactNode {
  const slug = useCourse((state) => state.slug);
  const slide = useCourse((state) => state.selection.slide) ?? "";
  const version = useCourse((state) => state.versions.slides[slide]);
  const [shown, setShown] = useState<Slide | null>(null);
  const path = { slug, slide_id: slide };
  const { data } = useQuery({
    queryKey: ["states", slug, slide, version], placeholderData: (before) => before, enabled: slide !== "",
    queryFn: () => take(api.GET("/api/courses/{slug}/slides/{slide_id}/states", { params: { path } })),
  });
  const look = (state: State): Promise<void> => attempt(async () => {
    const found = await take(api.GET("/api/courses/{slug}/slides/{slide_id}/states/{state_id}", {
      params: { path: { ...path, state_id: state.id } },
    }));
    setShown(following(found.slide, useCourse.getState().sources));
  });
  function bringBack(): void {
    if (!shown) return;
    apply(t("restoreAnEarlierVersion"), { slides: { [shown.id]: shown } }, { select: [], stored: true });
    setShown(null);
    sayDone(t("theSlideWasRestoredCtrl"));
  }
  return (
    <>
      <Text fontSize="12.5px" color="quiet" my="1">{t("everySavedVersionIsKept")}</Text>
      <StateList states={data ?? []} present={version} onLook={(state) => void look(state)} />
      {shown && <Compare title={t("thisSlideThenAndNow")} then={shown} onBack={bringBack} onClose={() => setShown(null)} />}
    </>
  );
}

function StateList(
  { states, present, onLook }: { states: readonly State[]; present: number | undefined; onLook: (state: State) => void },
): ReactNode {
  return states.map((state) => (
    <Flex
      as="button" key={state.id} w="100%" textAlign="left" py="1.5" px="1" gap="2" borderBottomWidth="1px" fontSize="13px"
      onClick={() => onLook(state)} _hover={{ bg: "table" }} data-kept={state.id}
    >
      <Box flex="1" minW="0">
        <Text truncate>{ago(state.created)}{state.version === present ? t("current") : state.version === 0 ? t("keptAsideInAConflict") : ""}</Text>
        <Text color="quiet" fontSize="12px" truncate>{new Date(state.created).toLocaleString()} · {state.author ?? t("somebody")}</Text>
      </Box>
    </Flex>
  ));
}

interface CompareProps { title: string; then: Slide; onBack: () => void; onClose: () => void }

function Compare({ title, then, onBack, onClose }: CompareProps): ReactNode {
  const now = useCourse((state) => state.slides[then.id]);
  return (
    <Dialog.Root open size="cover" onOpenChange={({ open }) => { if (!open) onClose(); }}>
      <Portal>
        <Dialog.Backdrop />
        <Dialog.Positioner>
          <Dialog.Content bg="sheet" maxW="1120px" h="auto" aria-label={title}>
            <Dialog.Header><Dialog.Title>{title}</Dialog.Title></Dialog.Header>
            <Dialog.Body>
              <Flex gap="6" wrap="wrap" justify="center">
                {([[t("then"), then], [t("now"), now]] as const).map(([name, slide]) => (
                  <Box key={name}>
                    <Heading as="h3" fontSize="15px" mb="2">{name}</Heading>
                    <Box borderWidth="1px" w="500px" minH="120px" aria-hidden>{slide && <SlidePicture slide={slide} w={500} whole />}</Box>
                    {slide && <Text fontSize="13px" color="quiet" mt="1">“{slide.title}”, {t("elements", { count: slide.elements.length })}</Text>}
                  </Box>
                ))}
              </Flex>
            </Dialog.Body>
            <Dialog.Footer>
              <QuietButton onClick={onClose}>{t("keepTheSlideAsIt")}</QuietButton>
              <MainButton onClick={onBack}>{t("restoreThisVersion")}</MainButton>
            </Dialog.Footer>
          </Dialog.Content>
        </Dialog.Positioner>
      </Portal>
    </Dialog.Root>
  );
}

interface CourseThen { course: Course; slides: Slide[]; state: State }

function CourseStates(): ReactNode {
  const slug = useCourse((state) => state.slug);
  const versions = useCourse((state) => state.versions);
  const [then, setThen] = useState<CourseThen | null>(null);
  const { data } = useQuery({
    queryKey: ["history", slug, versions], placeholderData: (before) => before,
    queryFn: () => take(api.GET("/api/courses/{slug}/history", { params: { path: { slug } } })),
  });
  const look = (state: State): Promise<void> => attempt(async () => {
    const path = { slug, state_id: state.id };
    const found = await take(api.GET("/api/courses/{slug}/history/{state_id}", { params: { path } }));
    setThen({ ...found, state });
  });
  const bringBack = (found: CourseThen): Promise<void> => attempt(async () => {
    await saveAll();
    const { course } = useCourse.getState();
    apply(t("restoreCourse"), {
      course: { ...found.course, id: course.id, remembered: course.remembered },
      slides: Object.fromEntries(found.slides.map((slide) => [slide.id, slide])),
    }, { goTo: found.course.slides[0] ?? null, select: [], stored: true });
    setThen(null);
    sayDone(t("theCourseWasRestoredCtrl"));
  });
  return (
    <>
      <Text fontSize="12.5px" color="quiet" my="1">{t("savedVersionsNewestFirstChoose")}</Text>
      {(data ?? []).map((state) => (
        <Flex
          as="button" key={state.id} w="100%" textAlign="left" py="1.5" px="1" borderBottomWidth="1px" direction="column" data-moment={state.id}
          onClick={() => void look(state)} _hover={{ bg: "table" }} fontSize="13px"
        >
          <Text truncate w="100%">{state.slide ? `“${state.title}”` : t("theCoursesSettings")}</Text>
          <Text color="quiet" fontSize="12px">{ago(state.created)} · {state.author ?? t("somebody")}</Text>
        </Flex>
      ))}
      {then && <CourseThenDialog then={then} onBack={() => void bringBack(then)} onClose={() => setThen(null)} />}
    </>
  );
}

function CourseThenDialog(
  { then, onBack, onClose }: { then: CourseThen; onBack: () => void; onClose: () => void },
): ReactNode {
  const now = useCourse((state) => state.slides);
  const sources = useMemo(() => sourcesOf(then.course), [then.course]);
  const slides = useMemo(() => then.slides.map((slide) => following(slide, sources)), [then.slides, sources]);
  const changed = slides.filter((slide) => JSON.stringify(now[slide.id]) !== JSON.stringify(slide));
  return (
    <Dialog.Root open size="cover" onOpenChange={({ open }) => { if (!open) onClose(); }}>
      <Portal>
        <Dialog.Backdrop />
        <Dialog.Positioner>
          <Dialog.Content bg="sheet" maxW="1120px" h="auto" maxH="86vh">
            <Dialog.Header><Dialog.Title>{t("theCourseAsItWas", { ago: ago(then.state.created) })}</Dialog.Title></Dialog.Header>
            <Dialog.Body overflowY="auto">
              <Text mb="3">
                {t("slides", { count: slides.length })}; {changed.length ? t("slidesWereDifferent", { count: changed.length }) : t("noSlideWasDifferent")}.
              </Text>
              <Flex gap="3" wrap="wrap">
                {slides.map((slide, index) => (
                  <Box key={slide.id} w="190px">
                    <Box borderWidth="2px" borderColor={changed.includes(slide) ? "marigold" : "edge"} aria-hidden><SlidePicture slide={slide} w={186} whole /></Box>
                    <Text fontSize="12.5px" truncate>{index + 1} {slide.title}{changed.includes(slide) ? t("different") : ""}</Text>
                  </Box>
                ))}
              </Flex>
            </Dialog.Body>
            <Dialog.Footer>
              <QuietButton onClick={onClose}>{t("keepTheSlideAsIt")}</QuietButton>
              <MainButton onClick={onBack}>{t("restoreTheWholeCourse")}</MainButton>
            </Dialog.Footer>
          </Dialog.Content>
        </Dialog.Positioner>
      </Portal>
    </Dialog.Root>
  );
}
