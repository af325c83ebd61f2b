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
import { ago, count } from "../../../kit/units";
import { Choose } from "../../../kit/Choose";

type State = components["schemas"]["StateOut"];
const OF = [["slide", "this slide"], ["course", "the whole course"]] as const;

/** Earlier states of the slide or the course, each of which can be had back. */
export function VersionHistory(): ReactNode {
  const [of, setOf] = useState<"slide" | "course">("slide");
  return (
    <Box p="3">
      <Heading as="h2" fontSize="14px" fontFamily="body" fontWeight="700" mb="1">Earlier states</Heading>
      <Choose label="of" value={of} options={OF} onChange={setOf} />
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
    apply("Bring back an earlier state", { slides: { [shown.id]: shown } }, { select: [], stored: true });
    setShown(null);
    sayDone("The slide is as it was then. Ctrl+Z takes it back.");
  }
  return (
    <>
      <Text fontSize="12.5px" color="quiet" my="1">Every state that was saved is kept. Choose one to compare it.</Text>
      <StateList states={data ?? []} present={version} onLook={(state) => void look(state)} />
      {shown && <Compare title="This slide, then and now" then={shown} onBack={bringBack} onClose={() => setShown(null)} />}
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
        <Text truncate>{ago(state.created)}{state.version === present ? ", the present one" : state.version === 0 ? ", kept aside" : ""}</Text>
        <Text color="quiet" fontSize="12px" truncate>{new Date(state.created).toLocaleString()} · {state.author ?? "somebody"}</Text>
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
                {([["Then", then], ["Now", now]] as const).map(([name, slide]) => (
                  <Box key={name}>
                    <Heading as="h3" fontSize="15px" mb="2">{name}</Heading>
                    <Box borderWidth="1px" w="500px" minH="120px" aria-hidden>{slide && <SlidePicture slide={slide} w={500} whole />}</Box>
                    {slide && <Text fontSize="13px" color="quiet" mt="1">“{slide.title}”, {count(slide.elements.length, "element")}</Text>}
                  </Box>
                ))}
              </Flex>
            </Dialog.Body>
            <Dialog.Footer>
              <QuietButton onClick={onClose}>Leave it as it is</QuietButton>
              <MainButton onClick={onBack}>Bring back then</MainButton>
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
    apply("Bring back the course", {
      course: { ...found.course, id: course.id, remembered: course.remembered },
      slides: Object.fromEntries(found.slides.map((slide) => [slide.id, slide])),
    }, { goTo: found.course.slides[0] ?? null, select: [], stored: true });
    setThen(null);
    sayDone("The course is as it was then. Ctrl+Z takes it back.");
  });
  return (
    <>
      <Text fontSize="12.5px" color="quiet" my="1">What was saved, the last first. Choose a moment to see the course as it was right after.</Text>
      {(data ?? []).map((state) => (
        <Flex
          as="button" key={state.id} w="100%" textAlign="left" py="1.5" px="1" borderBottomWidth="1px" direction="column" data-moment={state.id}
          onClick={() => void look(state)} _hover={{ bg: "table" }} fontSize="13px"
        >
          <Text truncate w="100%">{state.slide ? `“${state.title}”` : "The course’s settings"}</Text>
          <Text color="quiet" fontSize="12px">{ago(state.created)} · {state.author ?? "somebody"}</Text>
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
            <Dialog.Header><Dialog.Title>The course as it was {ago(then.state.created)}</Dialog.Title></Dialog.Header>
            <Dialog.Body overflowY="auto">
              <Text mb="3">
                {count(slides.length, "slide")}; {changed.length ? `${count(changed.length, "slide")} ${changed.length === 1 ? "was" : "were"} different` : "none was different"}.
              </Text>
              <Flex gap="3" wrap="wrap">
                {slides.map((slide, index) => (
                  <Box key={slide.id} w="190px">
                    <Box borderWidth="2px" borderColor={changed.includes(slide) ? "marigold" : "edge"} aria-hidden><SlidePicture slide={slide} w={186} whole /></Box>
                    <Text fontSize="12.5px" truncate>{index + 1} {slide.title}{changed.includes(slide) ? ", different" : ""}</Text>
                  </Box>
                ))}
              </Flex>
            </Dialog.Body>
            <Dialog.Footer>
              <QuietButton onClick={onClose}>Leave it as it is</QuietButton>
              <MainButton onClick={onBack}>Bring back the whole course</MainButton>
            </Dialog.Footer>
          </Dialog.Content>
        </Dialog.Positioner>
      </Portal>
    </Dialog.Root>
  );
}
