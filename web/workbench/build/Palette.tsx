/** One palette for adding and for commands: type what you want, Enter does it. */
import { Box, Flex, Input, Text } from "@chakra-ui/react";
import {
  CircleDot, Copy, FilePlus2, Heading1, Image, Minus, MousePointerClick, Play, Redo2, Square,
  Circle, TextCursorInput, Trash2, Undo2, type LucideIcon,
} from "lucide-react";
import { useEffect, useId, useRef, useState, type KeyboardEvent, type ReactNode } from "react";
import { useNavigate } from "react-router";
import { addElement, addSlide, duplicateSlide, removeSelected, type Addition } from "../store/commands";
import { ACCEPTED, addPicture, sendPicture } from "../store/pictures";
import { redo, undo, useCourse } from "../store/store";
import { sayError } from "../ui/toaster";

export interface PaletteRequest { at: [number, number] | null }

interface Entry { word: string; also: string; group: string; icon: LucideIcon; run: () => void }

export function Palette(
  { request, onClose }: { request: PaletteRequest; onClose: () => void },
): ReactNode {
  const [typed, setTyped] = useState("");
  const [active, setActive] = useState(0);
  const list = useId();
  const picker = useRef<HTMLInputElement>(null);
  const box = useRef<HTMLDivElement>(null);
  const found = useEntries(request.at, () => picker.current?.click()).filter((entry) => matches(entry, typed));

  useEffect(() => {
    const away = (event: PointerEvent): void => {
      if (!box.current?.contains(event.target as Node)) onClose();
    };
    window.addEventListener("pointerdown", away);
    return () => window.removeEventListener("pointerdown", away);
  }, [onClose]);

  function run(entry: Entry | undefined): void {
    if (!entry) return;
    entry.run();
    if (entry.word !== "Picture") onClose();
    document.querySelector<HTMLElement>("[data-stage]")?.focus();
  }

  function onKeyDown(event: KeyboardEvent): void {
    if (event.key === "Escape") {
      onClose();
      document.querySelector<HTMLElement>("[data-stage]")?.focus();
    } else if (event.key === "ArrowDown") setActive((active + 1) % Math.max(found.length, 1));
    else if (event.key === "ArrowUp") setActive((active + found.length - 1) % Math.max(found.length, 1));
    else if (event.key === "Enter") run(found[active]);
    else return;
    event.preventDefault();
  }

  async function choose(file: File | undefined): Promise<void> {
    onClose();
    if (!file) return;
    try {
      await addPicture(await sendPicture(file, () => {}), request.at);
    } catch (error) {
      sayError(error);
    }
  }

  return (
    <Box
      ref={box} position="fixed" left="50%" top="22%" transform="translateX(-50%)" w="420px" bg="sheet"
      borderWidth="1px" borderRadius="12px" boxShadow="0 12px 48px rgb(34 48 43 / 30%)" zIndex="1500"
      role="dialog" aria-label="Add or do something" data-own-keys
    >
      <Input
        autoFocus variant="flushed" px="4" h="48px" fontSize="16px" value={typed}
        placeholder="Add an element, a question, or do something" role="combobox"
        aria-label="What to add or do" aria-expanded aria-controls={list}
        aria-activedescendant={found.length ? `${list}-${active}` : undefined}
        onChange={(event) => { setTyped(event.target.value); setActive(0); }} onKeyDown={onKeyDown}
      />
      <Box id={list} role="listbox" aria-label="Matches" maxH="380px" overflowY="auto" p="2">
        {!found.length && <Text p="3" color="quiet">Nothing is called that.</Text>}
        {found.map((entry, place) => (
          <Flex
            key={entry.word} id={`${list}-${place}`} role="option" aria-selected={place === active}
            align="center" gap="3" px="3" py="2" borderRadius="card" cursor="pointer"
            bg={place === active ? "spruce.soft" : undefined}
            onPointerMove={() => setActive(place)} onClick={() => run(entry)}
          >
            <entry.icon size={17} />
            <Text fontWeight="600">{entry.word}</Text>
            <Text color="quiet" ml="auto" fontSize="13px">{entry.group}</Text>
          </Flex>
        ))}
      </Box>
      <input
        ref={picker} type="file" accept={ACCEPTED} hidden aria-label="Picture"
        onChange={(event) => void choose(event.target.files?.[0])}
      />
    </Box>
  );
}

function useEntries(at: [number, number] | null, pickPicture: () => void): Entry[] {
  const navigate = useNavigate();
  const slug = useCourse((state) => state.slug);
  const slide = useCourse((state) => state.place.slide);
  const add = (what: Addition) => () => void addElement(what, at);
  return [
    { word: "Text", also: "words paragraph", group: "element", icon: TextCursorInput, run: add("text") },
    { word: "Title", also: "heading", group: "element", icon: Heading1, run: add("title") },
    { word: "Picture", also: "image photo drawing svg png", group: "element", icon: Image, run: pickPicture },
    { word: "Button", also: "click link", group: "element", icon: MousePointerClick, run: add("button") },
    { word: "Rectangle", also: "shape box panel", group: "element", icon: Square, run: add("rectangle") },
    { word: "Ellipse", also: "shape circle", group: "element", icon: Circle, run: add("ellipse") },
    { word: "Line", also: "shape rule", group: "element", icon: Minus, run: add("line") },
    { word: "Single choice", also: "question quiz radio", group: "question", icon: CircleDot, run: add("single_choice") },
    { word: "New slide", also: "add page", group: "slide", icon: FilePlus2, run: () => void addSlide() },
    { word: "Duplicate slide", also: "copy", group: "slide", icon: Copy, run: () => { if (slide) void duplicateSlide(slide); } },
    { word: "Delete what is selected", also: "remove", group: "command", icon: Trash2, run: () => void removeSelected() },
    { word: "Undo", also: "back", group: "command", icon: Undo2, run: undo },
    { word: "Redo", also: "again", group: "command", icon: Redo2, run: redo },
    { word: "Rehearse from here", also: "play try run", group: "command", icon: Play, run: () => void navigate(`/courses/${slug}/rehearse?from=${slide ?? ""}`) },
  ];
}

function matches({ word, also, group }: Entry, typed: string): boolean {
  const words = `${word} ${also} ${group}`.toLowerCase();
  return typed.toLowerCase().split(/\s+/).every((part) => words.includes(part));
}
