/** The slide as a picture, with handles over it. */
import { Box, Flex, Text } from "@chakra-ui/react";
import { Plus } from "lucide-react";
import { useEffect, useRef, useState, type ReactNode, type RefObject } from "react";
import { Still } from "../../player/render/Still";
import { addSlide } from "../store/commands";
import { addPicture, sendPicture } from "../store/pictures";
import { edit, select, useCourse } from "../store/store";
import { Empty, Kbd, MainButton } from "../ui/parts";
import { sayError } from "../ui/toaster";
import { EditInPlace } from "./EditInPlace";
import { Handles } from "./Handles";

interface Props {
  /** Where the pointer is, in slide pixels; null outside the slide. */
  pointer: RefObject<[number, number] | null>;
  onAdd: (at: [number, number] | null) => void;
}

const MARGIN = 28;

export function Stage({ pointer, onAdd }: Props): ReactNode {
  const frame = useRef<HTMLDivElement>(null);
  const paper = useRef<HTMLDivElement>(null);
  const size = useCourse((state) => state.course.size);
  const media = useCourse((state) => state.media);
  const slide = useCourse((state) => (state.place.slide ? state.slides[state.place.slide] : undefined));
  const editing = useCourse((state) => state.editing);
  const [scale, setScale] = useState(0);

  useEffect(() => {
    const element = frame.current;
    if (!element) return;
    const observer = new ResizeObserver(() => {
      setScale(Math.min(
        (element.clientWidth - 2 * MARGIN) / size.w, (element.clientHeight - 2 * MARGIN - 44) / size.h, 2,
      ));
    });
    observer.observe(element);
    return () => observer.disconnect();
  }, [size.w, size.h]);

  function point(event: { clientX: number; clientY: number }): [number, number] | null {
    const box = paper.current?.getBoundingClientRect();
    if (!box || !scale) return null;
    const x = (event.clientX - box.left) / scale;
    const y = (event.clientY - box.top) / scale;
    return x >= 0 && y >= 0 && x <= size.w && y <= size.h ? [Math.round(x), Math.round(y)] : null;
  }

  async function drop(event: React.DragEvent): Promise<void> {
    event.preventDefault();
    const at = point(event);
    for (const file of event.dataTransfer.files) {
      try {
        await addPicture(await sendPicture(file, () => {}), at);
      } catch (error) {
        sayError(error);
      }
    }
  }

  const element = slide?.elements.find((other) => other.id === editing);
  return (
    <Flex
      ref={frame} flex="1" minW="0" bg="table" direction="column" align="center" justify="center"
      position="relative" overflow="hidden" role="region" aria-label="Slide"
      onPointerMove={(event) => { pointer.current = point(event); }}
      onPointerLeave={() => { pointer.current = null; }}
      onPointerDown={(event) => { if (event.target === frame.current) { select([]); edit(null); } }}
      onDragOver={(event) => event.preventDefault()} onDrop={(event) => void drop(event)}
    >
      {slide ? (
        <Box
          ref={paper} boxShadow="0 1px 10px rgb(34 48 43 / 14%)" mb="44px" position="relative" isolation="isolate"
          tabIndex={0} data-stage role="group"
          aria-label={`${slide.title}: Tab goes through the elements, Escape leaves`}
          _focusVisible={{ outline: "2px solid {colors.marigold}", outlineOffset: "4px" }}
        >
          <Box aria-hidden={!element}>
            <Still slide={slide} size={size} media={media} scale={scale} without={editing}>
              {element && <EditInPlace element={element} key={element.id} />}
            </Still>
          </Box>
          <Handles slide={slide} scale={scale} />
        </Box>
      ) : (
        <Empty
          title="No slides yet"
          action={<MainButton onClick={() => void addSlide()}><Plus size={16} /> Add a slide</MainButton>}
        >
          A course begins with its first slide.
        </Empty>
      )}
      {slide && (
        <Flex
          position="absolute" bottom="14px" bg="sheet" borderRadius="full" px="4" py="1.5" gap="3"
          align="center" boxShadow="0 2px 12px rgb(34 48 43 / 16%)"
        >
          <Flex
            as="button" align="center" gap="2" color="spruce" fontWeight="700"
            onClick={() => onAdd(null)}
          >
            <Plus size={17} /> Add <Kbd>/</Kbd>
          </Flex>
          <Text color="quiet" fontSize="13px" borderLeftWidth="1px" pl="3">{Math.round(scale * 100)} %</Text>
        </Flex>
      )}
    </Flex>
  );
}
