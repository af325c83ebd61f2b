/** Recording a line: count-in, level, takes to choose from. */
import { Box, Flex, Text } from "@chakra-ui/react";
import { Circle, Play, Square, X } from "lucide-react";
import { useCallback, useEffect, useRef, useState, type KeyboardEvent, type ReactNode } from "react";
import { MainButton } from "../../kit/MainButton";
import { QuietButton } from "../../kit/QuietButton";
import { sayError } from "../../kit/toaster";
import { Tool } from "../../kit/Tool";
import { t } from "../../words/script";
import { attempt } from "../store/commands";
import { record, trimmed, waveFile, type Recording, type Take } from "./recording";
import { addRecording, minutes, type ScriptRow } from "./rows";

/** Seconds that are counted before a recording begins. */
const COUNT_IN = 3;

type Phase = { kind: "ready" } | { kind: "counting"; left: number } | { kind: "recording"; since: number };

/** Below a line: R records and stops, Escape closes. */
export function RecordBar({ row, onClose }: { row: ScriptRow; onClose: () => void }): ReactNode {
  const [phase, setPhase] = useState<Phase>({ kind: "ready" });
  const [takes, setTakes] = useState<readonly Take[]>([]);
  const [busy, setBusy] = useState(false);
  const running = useRef<Recording | null>(null);
  const bar = useRef<HTMLDivElement>(null);
  const heard = useRef<string[]>([]);
  useEffect(() => {
    bar.current?.focus();
    const sources = heard.current;
    return () => {
      running.current?.cancel();
      for (const src of sources) URL.revokeObjectURL(src);
    };
  }, []);

  const begin = useCallback(async (): Promise<void> => {
    try {
      running.current = await record();
      setPhase({ kind: "recording", since: performance.now() });
    } catch (error) {
      setPhase({ kind: "ready" });
      sayError(error instanceof DOMException ? new Error(t("noMicrophone")) : error);
    }
  }, []);
  useEffect(() => {
    if (phase.kind !== "counting") return undefined;
    const timer = setTimeout(() => {
      if (phase.left > 1) setPhase({ kind: "counting", left: phase.left - 1 });
      else void begin();
    }, 1_000);
    return () => clearTimeout(timer);
  }, [phase, begin]);

  async function stop(): Promise<void> {
    const made = running.current;
    running.current = null;
    setPhase({ kind: "ready" });
    if (!made) return;
    const { samples, rate } = await made.stop();
    const words = trimmed(samples, rate);
    const file = waveFile(words, rate, `${row.file}.wav`);
    const src = URL.createObjectURL(file);
    heard.current.push(src);
    setTakes((before) => [...before, { number: before.length + 1, length: (words.length / rate) * 1_000, file, src }]);
  }
  async function use(take: Take): Promise<void> {
    setBusy(true);
    await attempt(() => addRecording(row, take.file));
    setBusy(false);
    onClose();
  }
  const press = (): void => {
    if (phase.kind === "ready") setPhase({ kind: "counting", left: COUNT_IN });
    else if (phase.kind === "recording") stop().catch(sayError);
    else setPhase({ kind: "ready" });
  };
  function onKeyDown(event: KeyboardEvent): void {
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    if (event.key === "Escape") onClose();
    else if (event.key.toLowerCase() === "r") press();
    else return;
    event.preventDefault();
    event.stopPropagation();
  }
  return (
    <Flex ref={bar} tabIndex={-1} role="group" aria-label={t("recordingOf", { title: row.title })} onKeyDown={onKeyDown} align="center" gap="3" wrap="wrap" py="2" px="3" bg="marigold.soft" data-record-bar>
      <MainButton size="xs" minW="112px" onClick={press}>
        {phase.kind === "ready" ? <Circle size={13} aria-hidden fill="currentColor" /> : <Square size={13} aria-hidden fill="currentColor" />}
        {phase.kind === "ready" ? t(takes.length ? "recordAgain" : "record") : phase.kind === "counting" ? t("startsIn", { seconds: phase.left }) : t("stopRecording")}
      </MainButton>
      <Text srOnly role="status">{phase.kind === "recording" ? t("recordingNow") : ""}</Text>
      {phase.kind === "recording" && <Level of={running} since={phase.since} />}
      {phase.kind === "ready" && !takes.length && <Text color="quiet" fontSize="13px">{t("recordHelp")}</Text>}
      {phase.kind === "ready" && takes.map((take) => (
        <Flex key={take.number} align="center" gap="1" bg="sheet" borderWidth="1px" borderRadius="card" px="2" py="0.5" data-take={take.number}>
          <Tool label={t("hearTake", { number: take.number })} onClick={() => { void new Audio(take.src).play().catch(sayError); }}><Play size={14} /></Tool>
          <Text fontSize="13px">{t("take", { number: take.number })} · {minutes(take.length)}</Text>
          <QuietButton size="xs" h="26px" loading={busy} onClick={() => void use(take)}>{t("useTake")}</QuietButton>
        </Flex>
      ))}
      <Box flex="1" />
      <Tool label={t("closeRecording")} onClick={onClose}><X size={15} /></Tool>
    </Flex>
  );
}

/** How loud it is, and for how long it has been recorded. */
function Level({ of, since }: { of: { current: Recording | null }; since: number }): ReactNode {
  const [now, setNow] = useState({ level: 0, ms: 0 });
  useEffect(() => {
    let frame = 0;
    const look = (): void => {
      setNow({ level: of.current?.level() ?? 0, ms: performance.now() - since });
      frame = requestAnimationFrame(look);
    };
    frame = requestAnimationFrame(look);
    return () => cancelAnimationFrame(frame);
  }, [of, since]);
  return (
    <>
      <Text fontVariantNumeric="tabular-nums">{minutes(now.ms)}</Text>
      <Box w="160px" h="8px" borderRadius="full" bg="edge" overflow="hidden" role="meter" aria-label={t("level")} aria-valuemin={0} aria-valuemax={100} aria-valuenow={Math.round(now.level * 100)}>
        <Box h="100%" bg={now.level > 0.95 ? "brick" : "spruce"} style={{ width: `${now.level * 100}%` }} />
      </Box>
    </>
  );
}
