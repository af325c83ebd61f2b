/** The script of the course as a table: words, voices and captions of all that is spoken. */
import { Box, Flex, Heading, Input, Table, Text, chakra } from "@chakra-ui/react";
import { ArrowLeft, ChevronDown } from "lucide-react";
import { useCallback, useEffect, useMemo, useRef, useState, type KeyboardEvent, type ReactNode } from "react";
import { Kbd } from "../../kit/Kbd";
import { MainButton } from "../../kit/MainButton";
import { MenuButton } from "../../kit/menus/MenuButton";
import { QuietButton } from "../../kit/QuietButton";
import { Tip } from "../../kit/Tip";
import { sayDone } from "../../kit/toaster";
import { Tool } from "../../kit/Tool";
import { useFilePicker } from "../../kit/useFilePicker";
import { t } from "../../words/script";
import { attempt } from "../store/commands";
import { PLAYING } from "../store/media";
import { showScript } from "./page";
import { addRecordings, exportTable, importWords, minutes, partOf, speak, useScriptRows, type ScriptRow } from "./rows";
import { ScriptLine } from "./ScriptLine";
import { useListening } from "./useListening";
import { VoicesCard } from "./VoicesCard";

type State = Exclude<ScriptRow["state"], "silent">;

const STATES: readonly State[] = ["recorded", "machine", "changed", "missing"];
const CHIPS = { recorded: "spruce", machine: "sky", changed: "marigold", missing: "brick" } as const;
const INK = { recorded: "spruce", machine: "sky.ink", changed: "marigold.ink", missing: "brick" } as const;
const COLUMNS = [["where", "190px"], ["speaker", "110px"], ["words", undefined], ["voice", "300px"], ["captions", "120px"]] as const;

/** The page of the script, in Plan. */
export default function ScriptPage(): ReactNode {
  const rows = useScriptRows();
  const [only, setOnly] = useState<State | null>(null);
  const [sought, setSought] = useState("");
  const [voices, setVoices] = useState(false);
  const shown = useMemo(() => (rows ?? []).filter((row) => fits(row, only, sought)), [rows, only, sought]);
  const finder = useRef<HTMLInputElement>(null);
  useEffect(() => {
    function onKeyDown(event: globalThis.KeyboardEvent): void {
      if (event.key !== "/" || (event.target instanceof Element && event.target.closest("input, textarea, select"))) return;
      event.preventDefault();
      finder.current?.focus();
    }
    window.addEventListener("keydown", onKeyDown);
    return () => window.removeEventListener("keydown", onKeyDown);
  }, []);
  return (
    <Flex direction="column" h="100%" minH="0" px="5" py="3" gap="3" data-script-page data-own-keys>
      <Flex align="center" gap="3" wrap="wrap">
        <Tool label={t("backToPlan")} onClick={() => showScript(false)}><ArrowLeft size={16} /></Tool>
        <Heading as="h2" fontSize="22px">{t("script")}</Heading>
        <About rows={rows ?? []} />
        <Box flex="1" />
        {STATES.map((state) => <StateChip key={state} state={state} rows={rows ?? []} on={only === state} onToggle={() => setOnly(only === state ? null : state)} />)}
      </Flex>
      <Flex align="center" gap="2" wrap="wrap">
        <Input ref={finder} size="xs" w="220px" bg="sheet" borderRadius="full" type="search" value={sought} placeholder={t("find")} aria-label={t("find")} onChange={(event) => setSought(event.target.value)} />
        <Box flex="1" />
        <QuietButton size="xs" aria-expanded={voices} onClick={() => setVoices(!voices)}>{t("voices")}</QuietButton>
        <Tables />
        <Recordings rows={rows ?? []} />
        <SpeakButton rows={rows ?? []} />
      </Flex>
      {voices && <Box maxH="45%" overflowY="auto" flex="none"><VoicesCard /></Box>}
      {!rows ? <Text color="quiet" role="status">{t("loading")}</Text>
        : <Lines rows={shown} empty={rows.length ? t("nothingFound") : t("noSlides")} />}
      <Flex gap="3" color="quiet" fontSize="12.5px" align="center">
        <Text><Kbd>Enter</Kbd> {t("keyEdit")}</Text><Text><Kbd>{t("keySpace")}</Kbd> {t("keyPlay")}</Text><Text><Kbd>R</Kbd> {t("keyRecord")}</Text><Text><Kbd>↓</Kbd> {t("keyNext")}</Text><Text><Kbd>/</Kbd> {t("keyFind")}</Text>
      </Flex>
    </Flex>
  );
}

function fits(row: ScriptRow, only: State | null, sought: string): boolean {
  if (only && row.state !== only) return false;
  const text = `${row.number} ${row.title} ${row.speaker} ${row.words} ${partOf(row)}`.toLowerCase();
  return sought.toLowerCase().split(/\s+/).every((word) => text.includes(word));
}

function About({ rows }: { rows: readonly ScriptRow[] }): ReactNode {
  const said = rows.filter(({ words }) => words);
  const length = said.reduce((sum, row) => sum + row.length, 0);
  return <Text color="quiet" fontSize="14px">{t("allThatIsSpoken")} · {t("lines", { count: said.length })} · {minutes(length)}</Text>;
}

function StateChip({ state, rows, on, onToggle }: { state: State; rows: readonly ScriptRow[]; on: boolean; onToggle: () => void }): ReactNode {
  const count = rows.filter((row) => row.state === state).length;
  return (
    <Tip label={t("showOnly")}>
      <chakra.button
        type="button" aria-pressed={on} disabled={!count && !on} onClick={onToggle} px="3" h="26px" borderRadius="full" fontSize="13px" fontWeight="600" cursor="pointer"
        bg={`${CHIPS[state]}.soft`} color={INK[state]} borderWidth="2px" borderColor={on ? INK[state] : "transparent"} _disabled={{ opacity: 0.55, cursor: "default" }}
      >
        {t(state, { count })}
      </chakra.button>
    </Tip>
  );
}

function Tables(): ReactNode {
  const picker = useFilePicker({ accept: ".csv,text/csv", label: t("importWords"), onFiles: ([file]) => void attempt(() => importWords(file)) });
  return (
    <>
      {picker.input}
      <MenuButton
        button={<QuietButton size="xs" title={t("exportHelp")}>{t("exportForStudio")}<ChevronDown size={13} aria-hidden /></QuietButton>}
        entries={[
          { key: "xlsx", words: t("asXlsx"), run: () => void attempt(() => exportTable("xlsx")) },
          { key: "csv", words: t("asCsv"), run: () => void attempt(() => exportTable("csv")) },
          { key: "import", words: t("importWords"), run: picker.open },
        ]}
      />
    </>
  );
}

function Recordings({ rows }: { rows: readonly ScriptRow[] }): ReactNode {
  const [busy, setBusy] = useState(false);
  const add = async (files: readonly File[]): Promise<void> => {
    setBusy(true);
    await attempt(async () => {
      const { taken, left } = await addRecordings(rows, files);
      sayDone(`${t("recordingsTaken", { count: taken })}${left.length ? ` ${t("recordingsLeft", { names: left.join(", ") })}` : ""}`);
    });
    setBusy(false);
  };
  const picker = useFilePicker({ accept: PLAYING, label: t("addRecordings"), several: true, onFiles: (files) => void add(files) });
  return <>{picker.input}<QuietButton size="xs" title={t("recordingsHelp")} loading={busy} disabled={!rows.length} onClick={picker.open}>{t("addRecordings")}</QuietButton></>;
}

function SpeakButton({ rows }: { rows: readonly ScriptRow[] }): ReactNode {
  const [busy, setBusy] = useState(false);
  const needed = rows.filter(({ again }) => again).length;
  const run = async (): Promise<void> => {
    setBusy(true);
    await attempt(() => speak(null));
    setBusy(false);
  };
  return <MainButton size="xs" title={t("speakMissingHelp")} loading={busy} disabled={!needed} onClick={() => void run()}>{needed ? t("speakMissing", { count: needed }) : t("allSpoken")}</MainButton>;
}

/** The lines, gone through by keys: up and down, Enter for the words, Space to hear. */
function Lines({ rows, empty }: { rows: readonly ScriptRow[]; empty: string }): ReactNode {
  const [chosen, setChosen] = useState<string | null>(null);
  const [edited, setEdited] = useState<string | null>(null);
  const [recorded, setRecorded] = useState<string | null>(null);
  const { heard, toggle } = useListening();
  const current = rows.some(({ key }) => key === chosen) ? chosen : rows[0]?.key ?? null;
  const edit = useCallback((key: string | null): void => {
    setEdited(key);
    if (key) setChosen(key);
  }, []);
  function onKeyDown(event: KeyboardEvent): void {
    if (!(event.target instanceof HTMLTableRowElement)) return;
    const at = rows.findIndex(({ key }) => key === current);
    const row = rows[at];
    const next = { ArrowDown: rows[at + 1], ArrowUp: rows[at - 1], Home: rows[0], End: rows.at(-1) }[event.key];
    if (next) setChosen(next.key);
    else if (event.key === "Enter" && row?.plain) edit(row.key);
    else if (event.key === " " && row?.voice) toggle(row.key, row.voice);
    else if (event.key.toLowerCase() === "r" && row?.words && !event.ctrlKey && !event.metaKey) record(row.key);
    else return;
    event.preventDefault();
  }
  const record = useCallback((key: string | null): void => {
    setRecorded(key);
    if (key) setChosen(key);
  }, []);
  if (!rows.length) return <Text color="quiet" py="6" textAlign="center" flex="1">{empty}</Text>;
  return (
    <Box flex="1" minH="0" overflowY="auto" borderWidth="1px" borderRadius="card" bg="sheet">
      <Table.Root size="sm" css={{ tableLayout: "fixed" }} onKeyDown={onKeyDown}>
        <Table.Header position="sticky" top="0" zIndex={1} bg="paper">
          <Table.Row bg="paper">
            {COLUMNS.map(([name, width]) => <Table.ColumnHeader key={name} py="2" px="3" color="quiet" fontWeight="600" {...(width ? { w: width } : {})}>{t(name)}</Table.ColumnHeader>)}
          </Table.Row>
        </Table.Header>
        <Table.Body>
          {rows.map((row) => (
            <ScriptLine key={row.key} row={row} current={row.key === current && (chosen !== null || edited !== null)} editing={row.key === edited} heard={row.key === heard} recording={row.key === recorded} onChoose={setChosen} onEdit={edit} onHear={toggle} onRecord={record} />
          ))}
        </Table.Body>
      </Table.Root>
    </Box>
  );
}
