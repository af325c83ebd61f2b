/** Who speaks by machine, and how words are pronounced. */
import { Box, Flex, Grid, Heading, Input, Text } from "@chakra-ui/react";
import { Trash2 } from "lucide-react";
import type { ReactNode } from "react";
import type { Course } from "../../api/types";
import { QuietButton } from "../../kit/QuietButton";
import { Tool } from "../../kit/Tool";
import { t } from "../../words/script";
import { changeCourse, useCourse } from "../store/store";
import { MachineVoice } from "./MachineVoice";

type Narrator = Course["narrators"][number];
type Pronunciation = Course["pronunciations"][number];

const PLAIN: Narrator = { name: "", voice: { voice: "", speed: 150, pitch: 50 } };

/** The voices of the course. */
export function VoicesCard(): ReactNode {
  return (
    <Grid templateColumns="1fr 1fr" gap="6" bg="sheet" borderWidth="1px" borderRadius="card" px="4" py="3" data-own-keys>
      <Narrators />
      <Pronunciations />
    </Grid>
  );
}

function Narrators(): ReactNode {
  const narrators = useCourse((state) => state.course.narrators);
  const all = narrators.some(({ name }) => !name) ? narrators : [PLAIN, ...narrators];
  const put = (next: readonly Narrator[], merge: string): void => changeCourse(t("voices"), { narrators: [...next] }, `narrators ${merge}`);
  const change = (at: number, part: Partial<Narrator>, what: string): void => put(all.map((one, n) => (n === at ? { ...one, ...part } : one)), `${at} ${what}`);
  return (
    <Box as="section" aria-label={t("voices")}>
      <Heading as="h3" fontSize="14px">{t("voices")}</Heading>
      <Text color="quiet" fontSize="13px" pb="2">{t("voicesHelp")}</Text>
      {all.map((one, at) => (
        <Box key={at} role="group" aria-label={one.name || t("allOthers")} borderTopWidth="1px" py="2">
          <Flex align="center" gap="2" pb="1">
            {one.name || at > 0
              ? <Input size="xs" bg="paper" borderRadius="6px" value={one.name} maxLength={60} aria-label={t("nameOfNarrator")} placeholder={t("nameOfNarrator")} onChange={(event) => change(at, { name: event.target.value }, "name")} />
              : <Text fontWeight="600" flex="1">{t("allOthers")}</Text>}
            {at > 0 && <Tool label={t("removeNarrator")} onClick={() => put(all.filter((_, n) => n !== at), `${at} gone`)}><Trash2 size={14} /></Tool>}
          </Flex>
          <MachineVoice voice={one.voice} onChange={(voice, what) => change(at, { voice: { ...one.voice, ...voice } }, what)} />
        </Box>
      ))}
      {all.length < 50 && <QuietButton size="xs" onClick={() => put([...all, { ...PLAIN, name: `${t("narrator")} ${all.length + 1}` }], `more ${all.length}`)}>{t("addNarrator")}</QuietButton>}
    </Box>
  );
}

function Pronunciations(): ReactNode {
  const words = useCourse((state) => state.course.pronunciations);
  const put = (next: readonly Pronunciation[], merge: string): void => changeCourse(t("pronunciations"), { pronunciations: [...next] }, `pronounced ${merge}`);
  const change = (at: number, part: Partial<Pronunciation>): void => put(words.map((one, n) => (n === at ? { ...one, ...part } : one)), String(at));
  return (
    <Box as="section" aria-label={t("pronunciations")}>
      <Heading as="h3" fontSize="14px">{t("pronunciations")}</Heading>
      <Text color="quiet" fontSize="13px" pb="2">{t("pronunciationsHelp")}</Text>
      {words.map((one, at) => (
        <Flex key={at} gap="2" py="1" align="center">
          <Input size="xs" bg="paper" borderRadius="6px" defaultValue={one.written} maxLength={60} aria-label={t("written")} onChange={({ target: { value } }) => { if (value.trim()) change(at, { written: value.trim() }); }} />
          <Input size="xs" bg="paper" borderRadius="6px" defaultValue={one.spoken} maxLength={200} aria-label={t("saidAs")} onChange={({ target: { value } }) => { if (value.trim()) change(at, { spoken: value.trim() }); }} />
          <Tool label={t("removePronunciation")} onClick={() => put(words.filter((_, n) => n !== at), `${at} gone`)}><Trash2 size={14} /></Tool>
        </Flex>
      ))}
      {words.length < 1_000 && <QuietButton size="xs" onClick={() => put([...words, { written: t("written"), spoken: t("saidAs") }], `more ${words.length}`)}>{t("addPronunciation")}</QuietButton>}
    </Box>
  );
}
