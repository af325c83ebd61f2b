/** That questions of a quiz have changed: in their banks, or here. */
import { Flex, Text } from "@chakra-ui/react";
import { useEffect, useState, type ReactNode } from "react";
import { useShallow } from "zustand/react/shallow";
import { QuietButton } from "../../../kit/QuietButton";
import { useLater } from "../../../kit/useLater";
import { t } from "../../../words/banks";
import { attempt } from "../../store/commands";
import { useCourse } from "../../store/store";
import { bringUpToDate, giveToBanks, statesOf } from "./banks";

const PAUSE_MS = 600;
type States = Awaited<ReturnType<typeof statesOf>>;

/** The news of the banks that questions among `own` come from. */
export function BankNews({ own }: { own: readonly string[] }): ReactNode {
  const slides = useCourse(useShallow((state) => own.flatMap((id) => (state.slides[id]?.bank ? state.slides[id] : []))));
  const settled = useLater(slides, PAUSE_MS);
  const [states, setStates] = useState<States>([]);
  const [looks, setLooks] = useState(0);
  useEffect(() => {
    // Another window may have changed a bank meanwhile.
    const look = (): void => setLooks((count) => count + 1);
    window.addEventListener("focus", look);
    return () => window.removeEventListener("focus", look);
  }, []);
  useEffect(() => {
    let late = false;
    // Without an answer there is no news: it is asked again when the window is.
    statesOf(settled).then((found) => { if (!late) setStates(found); }, () => {});
    return () => { late = true; };
  }, [settled, looks]);
  const here = new Set(slides.map(({ id }) => id));
  const newer = states.filter((one) => one.newer && here.has(one.slide)).map(({ slide }) => slide);
  const changed = states.filter((one) => one.changed && here.has(one.slide)).map(({ slide }) => slide);
  return (
    <>
      {newer.length > 0 && <News words={t("newerVersions", { count: newer.length })} action={t("bringUpToDate")} run={() => bringUpToDate(newer)} />}
      {changed.length > 0 && <News words={t("changedHere", { count: changed.length })} action={t("giveToBank")} run={() => attempt(() => giveToBanks(changed))} />}
    </>
  );
}

function News({ words, action, run }: { words: string; action: string; run: () => Promise<void> }): ReactNode {
  return (
    <Flex role="status" data-bank-news bg="sky.soft" borderRadius="card" px="4" py="2" gap="3" align="center" fontSize="13.5px">
      <Text flex="1" color="ink">{words}</Text>
      <QuietButton size="sm" onClick={() => void run()}>{action}</QuietButton>
    </Flex>
  );
}
