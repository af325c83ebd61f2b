import { Box, chakra, Flex, Text } from "@chakra-ui/react";
import { Plus } from "lucide-react";
import { useEffect, type ReactNode } from "react";
import type { Element, Slide } from "../../api/types";
import { EMPTY_SLIDE, Still } from "../../player/render/Still";
import { partsOf } from "../does/patterns";
import { elementsOf } from "../judges/parts";
import { changeElements, useCourse } from "../store/store";
import { MenuButton } from "../../kit/menus/MenuButton";
import { QuietButton } from "../../kit/QuietButton";
import { GIVEN, nameOf, newLook, overridesOf, useLook, wearing } from "./looks";
import { t } from "../../words/looks";

const TILE = { w: 64, h: 34 };

/** All looks of the selected element as a strip: choose one, and what is changed then is only for it. */
export function LooksStrip({ element }: { element: Element }): ReactNode {
  const edited = useLook();
  const look = edited.element === element.id ? edited.look : null;
  useEffect(() => {
    // Undone, say.
    if (look && !(look in element.looks)) useLook.setState({ element: null, look: null });
  }, [look, element.looks]);
  useEffect(() => () => useLook.setState({ element: null, look: null }), [element.id]);
  const looks = Object.keys(element.looks);
  const edit = (chosen: string | null): void => useLook.setState({ element: element.id, look: chosen });
  function add(given: string | null): void {
    const { patch, id } = newLook(element, given);
    edit(null);
    changeElements(t("addLook"), [element.id], (e) => ({ ...e, looks: { ...e.looks, [id]: patch } }));
    edit(id);
  }
  return (
    <Flex
      position="absolute" top="8px" left="50%" transform="translateX(-50%)" bg="sheet" borderRadius="card" px="2" py="1.5" gap="1.5"
      boxShadow="0 1px 8px rgb(34 48 43 / 16%)" zIndex="5" maxW="calc(100% - 24px)" overflowX="auto" role="group" aria-label={t("looksOfName", { name: element.name })}
    >
      <Tile element={element} look={null} on={look === null} onClick={() => edit(null)} />
      {looks.map((name) => <Tile key={name} element={element} look={name} on={look === name} onClick={() => edit(name)} />)}
      <MenuButton
        button={<QuietButton size="xs" alignSelf="center" flex="none"><Plus size={13} />{t("look")}</QuietButton>}
        entries={[
          ...GIVEN.filter(([name]) => !looks.includes(name)).map(([name, when]) => ({
            key: name, words: <>{name}<Text as="span" color="quiet" ml="2">{when}</Text></>, run: () => add(name),
          })),
          { key: "own", words: <>{t("customLook")}<Text as="span" color="quiet" ml="2">{t("whenARuleGivesIt2")}</Text></>, run: () => add(null) },
        ]}
      />
    </Flex>
  );
}

/** A slide with nothing on it but the element, just as large. */
function alone(element: Element): Slide {
  const at = { ...element, x: 0, y: 0, turn: 0, group: null, overlay: null, looks: {} } as Element;
  return { ...EMPTY_SLIDE, id: "alone", title: "", elements: [at] };
}

function Tile({ element, look, on, onClick }: { element: Element; look: string | null; on: boolean; onClick: () => void }): ReactNode {
  const media = useCourse((state) => state.media);
  const theme = useCourse((state) => state.course.theme);
  const shown = wearing(element, look);
  const scale = Math.min(TILE.w / Math.max(shown.w, 1), TILE.h / Math.max(shown.h, 1), 1);
  const name = look ? nameOf(element, look) : "default";
  const overrides = look ? overridesOf(element.looks[look]) : [];
  const says = look ? (overrides.length ? t("overridesList", { list: overrides.join(", ") }) : t("overridesNothingYet")) : t("theBaseOfAllOther");
  return (
    <Box position="relative" flex="none" w={`${TILE.w + 8}px`} h={`${TILE.h + 28}px`}>
      <Box
        w={`${TILE.w}px`} h={`${TILE.h}px`} m="4px" position="relative" overflow="hidden" bg="table" borderRadius="4px" aria-hidden
        ref={(box: HTMLDivElement | null) => { if (box) box.inert = true; }}
      >
        <Box position="absolute" left={`${(TILE.w - shown.w * scale) / 2}px`} top={`${(TILE.h - shown.h * scale) / 2}px`}>
          <Still slide={alone(shown)} size={{ w: shown.w, h: shown.h }} {...{ theme, media, scale }} />
        </Box>
      </Box>
      <chakra.button
        type="button" onClick={onClick} aria-pressed={on} title={says} data-look={look ?? "default"} position="absolute" inset="0"
        display="flex" alignItems="flex-end" justifyContent="center" borderRadius="6px" outline={on ? "2px solid {colors.marigold}" : undefined}
        _hover={on ? {} : { outline: "1.5px dashed {colors.marigold}" }}
      >
        <Text fontSize="11.5px" fontWeight={on ? 700 : 500} maxW={`${TILE.w}px`} truncate pb="2px">{name}</Text>
      </chakra.button>
    </Box>
  );
}

const ACTS = new Set<Element["kind"]>(["button", "input", "area"]);

/** Whether the strip has something to say: the element has looks, or answers to what learners do. */
export function hasLooks(element: Element, slide: Slide | undefined): boolean {
  if (element.kind === "group") return false;
  return Object.keys(element.looks).length > 0 || ACTS.has(element.kind) || element.rules.length > 0 || element.drag != null
    || Boolean(slide?.questions.some((question) => elementsOf(question).includes(element.id)))
    || Boolean(slide?.patterns.some((pattern) => partsOf(pattern).includes(element.id)));
}
