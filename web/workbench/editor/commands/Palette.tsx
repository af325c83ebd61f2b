import { Box, Flex, Input, Text } from "@chakra-ui/react";
import { useEffect, useId, useRef, useState, type KeyboardEvent, type ReactNode } from "react";
import { PICTURES, PLAYING } from "../../store/media";
import { sendAll } from "../panels/uploads";
import { useEntries, type Entry } from "./paletteEntries";
import { t } from "../../../words/editor";
import { useFilePicker } from "../../../kit/useFilePicker";

export interface PaletteRequest { at: [number, number] | null }

const MOST = 60;

/** One palette for adding, for commands, and for going to anything: type what you want. */
export function Palette(
  { request, onClose }: { request: PaletteRequest; onClose: () => void },
): ReactNode {
  const [typed, setTyped] = useState("");
  const [active, setActive] = useState(0);
  const list = useId();
  const box = useRef<HTMLDivElement>(null);
  const [accept, setAccept] = useState(PICTURES);
  const picker = useFilePicker({ accept, label: t("fileToAdd"), several: true, onFiles: choose });
  function pick(what: string): void {
    setAccept(what);
    requestAnimationFrame(picker.open);
  }
  const entries = useEntries(typed, request.at, () => pick(PICTURES), () => pick(PLAYING));
  const found = entries.filter((entry) => matches(entry, typed))
    .sort((a, b) => farFrom(a, typed) - farFrom(b, typed)).slice(0, MOST);

  useEffect(() => {
    const away = (event: PointerEvent): void => {
      if (!box.current?.contains(event.target as Node)) onClose();
    };
    window.addEventListener("pointerdown", away);
    return () => window.removeEventListener("pointerdown", away);
  }, [onClose]);

  useEffect(() => {
    document.getElementById(`${list}-${active}`)?.scrollIntoView({ block: "nearest" });
  }, [active, list]);

  function run(entry: Entry | undefined): void {
    if (!entry) return;
    if (!entry.stays) {
      onClose();
      document.querySelector<HTMLElement>("[data-stage]")?.focus();
    }
    entry.run();
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

  function choose(files: readonly File[]): void {
    onClose();
    sendAll(files, { at: request.at });
  }

  return (
    <Box
      ref={box} position="fixed" left="50%" top="18%" transform="translateX(-50%)" w="460px" bg="sheet"
      borderWidth="1px" borderRadius="12px" boxShadow="0 12px 48px rgb(34 48 43 / 30%)" zIndex="1500"
      role="dialog" aria-label={t("addOrDoSomething")} data-own-keys
    >
      <Input
        autoFocus variant="flushed" px="4" h="48px" fontSize="16px" value={typed}
        placeholder={t("searchElementsQuestionsCommandsAnd")} role="combobox"
        aria-label={t("whatToAddOrDo")} aria-expanded aria-controls={list}
        aria-activedescendant={found.length ? `${list}-${active}` : undefined}
        onChange={(event) => { setTyped(event.target.value); setActive(0); }} onKeyDown={onKeyDown}
      />
      <Box id={list} role="listbox" aria-label={t("matches")} maxH="400px" overflowY="auto" p="2">
        {!found.length && <Text p="3" color="quiet">{t("noMatch")}</Text>}
        {found.map((entry, index) => (
          <Flex
            key={entry.key ?? entry.word} id={`${list}-${index}`} role="option" aria-selected={index === active}
            align="center" gap="3" px="3" py="1.5" borderRadius="card" cursor="pointer"
            bg={index === active ? "spruce.soft" : undefined}
            onPointerMove={() => setActive(index)} onClick={() => run(entry)}
          >
            <Box flex="none"><entry.icon size={17} aria-hidden /></Box>
            <Text fontWeight="600" truncate>{entry.word}</Text>
            <Text color="quiet" ml="auto" fontSize="13px" flex="none">{entry.group}</Text>
          </Flex>
        ))}
      </Box>
      {picker.input}
    </Box>
  );
}

/** What is only found by typing (slides, elements, drawings) needs something typed. */
function matches({ word, also, group, whenTyped }: Entry, typed: string): boolean {
  if (whenTyped && !typed.trim()) return false;
  const words = `${word} ${also} ${group}`.toLowerCase();
  return typed.toLowerCase().split(/\s+/).every((part) => words.includes(part));
}

/** What is called just that comes before what begins so, and both before what is found by the way. */
function farFrom({ word }: Entry, typed: string): number {
  const [name, searched] = [word.toLowerCase(), typed.trim().toLowerCase()];
  if (!searched || name === searched) return 0;
  return name.startsWith(searched) ? 1 : 2;
}
