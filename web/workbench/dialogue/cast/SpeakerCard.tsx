import { Box, Flex, Grid, Image, Text, chakra } from "@chakra-ui/react";
import { useState, type ReactNode } from "react";
import type { Speaker } from "../../../api/types";
import { Check } from "../../../kit/Check";
import { Choose } from "../../../kit/Choose";
import { Fold } from "../../../kit/Fold";
import { NumberField } from "../../../kit/NumberField";
import { QuietButton } from "../../../kit/QuietButton";
import { sayError } from "../../../kit/toaster";
import { t } from "../../../words/dialogue";
import { MachineVoice } from "../../script/MachineVoice";
import { PICTURES, sendFile } from "../../store/media";
import { useCourse } from "../../store/store";
import { castAs, changeSpeaker, playedBy, setMood, type Drawing, type On, type Posture } from "./casting";
import { useFilePicker } from "../../../kit/useFilePicker";

interface Props {
  on: On;
  speaker: Speaker;
  drawings: readonly Drawing[];
  /** The moods in which the script lets this one speak. */
  written: readonly string[];
}

/** One who speaks: played by whom, with which pictures, standing where. */
export function SpeakerCard({ on, speaker, drawings, written }: Props): ReactNode {
  const media = useCourse((state) => state.course.media);
  const played = playedBy(speaker, media, drawings);
  const [choosing, setChoosing] = useState(false);
  const posture: Posture = played?.posture === "seated" ? "seated" : "standing";
  const play = (who: string, how: Posture): void => { void castAs(on, speaker.id, drawings, who, how).catch(sayError); };
  return (
    <Box as="section" aria-label={speaker.name} bg="sheet" borderWidth="1px" borderRadius="card" p="3" data-speaker={speaker.name}>
      <Flex align="center" gap="3">
        <Face speaker={speaker} />
        <Box flex="1" minW="0">
          <Text fontWeight="700" truncate>{speaker.name}</Text>
          <Text color="quiet" fontSize="12.5px">{played ? t("playedBy", { who: played.who }) : speaker.moods.length ? t("ownPictures") : t("noPictures")}</Text>
        </Box>
        <QuietButton size="xs" aria-expanded={choosing} aria-label={t("choosePersonFor", { name: speaker.name })} onClick={() => setChoosing(!choosing)}>{t("choosePerson")}</QuietButton>
      </Flex>
      {choosing && <People drawings={drawings} current={played?.who} onPick={(who) => { play(who, posture); setChoosing(false); }} />}
      {played && <Choose label={t("posture")} value={posture} options={[["standing", t("standing")], ["seated", t("seated")]]} onChange={(how) => play(played.who, how)} />}
      <Fold title={t("moodsAndPlace")}>
        <Moods on={on} speaker={speaker} written={written} />
        <Place on={on} speaker={speaker} />
      </Fold>
      <Fold title={t("machineVoice")}>
        <MachineVoice voice={speaker.voice} onChange={(change, what) => changeSpeaker(on, speaker.id, (before) => ({ voice: { ...before.voice, ...change } }), `${speaker.id} ${what}`)} />
      </Fold>
      <Missing speaker={speaker} written={written} />
    </Box>
  );
}

function Face({ speaker }: { speaker: Speaker }): ReactNode {
  const entry = useCourse((state) => state.media[speaker.moods[0]?.picture ?? ""]);
  return (
    <Flex w="52px" h="52px" flex="none" borderRadius="full" overflow="hidden" bg="table" justify="center" align="flex-end">
      {entry ? <Image src={entry.src} alt="" h="54px" maxW="none" /> : <Text fontSize="22px" fontWeight="700" alignSelf="center" aria-hidden>{speaker.name.charAt(0)}</Text>}
    </Flex>
  );
}

/** The shipped people, each with a friendly face. */
function People({ drawings, current, onPick }: { drawings: readonly Drawing[]; current: string | undefined; onPick: (who: string) => void }): ReactNode {
  const faces = drawings.filter(({ mood, posture }) => mood === "friendly" && posture === "standing");
  return (
    <Grid templateColumns="repeat(6, 1fr)" gap="1.5" py="2" role="group" aria-label={t("people")}>
      {faces.map(({ who, url }) => (
        <chakra.button
          key={who} type="button" aria-pressed={who === current} aria-label={t("playedBy", { who })} borderWidth="2px" borderColor={who === current ? "marigold" : "edge"} borderRadius="card" p="1" cursor="pointer"
          display="flex" flexDirection="column" alignItems="center" _hover={{ borderColor: "spruce" }} onClick={() => onPick(who)}
        >
          <Image src={url} alt="" h="44px" loading="lazy" />
          <Text as="span" fontSize="11.5px">{who}</Text>
        </chakra.button>
      ))}
    </Grid>
  );
}

function Missing({ speaker, written }: { speaker: Speaker; written: readonly string[] }): ReactNode {
  const there = new Set(speaker.moods.map(({ mood }) => mood.toLowerCase()));
  const missing = speaker.moods.length ? written.filter((mood) => !there.has(mood)) : [];
  return missing.length ? <Text color="marigold.ink" fontSize="12.5px" pt="1">{t("moodsMissing", { moods: missing.join(", ") })}</Text> : null;
}

function Moods({ on, speaker, written }: Omit<Props, "drawings">): ReactNode {
  const [mood, setMoodName] = useState("");
  const there = speaker.moods.map((one) => one.mood);
  const known = new Set(there.map((one) => one.toLowerCase()));
  const names = [...there, ...written.filter((one) => !known.has(one))];
  return (
    <Box pb="2">
      <Flex wrap="wrap" gap="2">
        {names.map((name) => <Mood key={name} on={on} speaker={speaker} mood={name} />)}
      </Flex>
      <Flex gap="2" pt="2" align="center">
        <chakra.input value={mood} maxLength={40} placeholder={t("anotherMood")} aria-label={t("anotherMood")} onChange={(event) => setMoodName(event.target.value)} flex="1" h="30px" px="2" bg="paper" borderWidth="1px" borderRadius="6px" />
        <PictureButton label={t("pictureFor", { mood: mood || t("anotherMood") })} disabled={!mood.trim()} onFile={async (file) => { setMood(on, speaker.id, mood.trim(), await sendFile(file, () => {})); setMoodName(""); }}>{t("addPicture")}</PictureButton>
      </Flex>
    </Box>
  );
}

function Mood({ on, speaker, mood }: { on: On; speaker: Speaker; mood: string }): ReactNode {
  const picture = speaker.moods.find((one) => one.mood.toLowerCase() === mood.toLowerCase())?.picture ?? "";
  const entry = useCourse((state) => state.media[picture]);
  return (
    <Box w="74px" textAlign="center" fontSize="12px">
      <PictureButton label={t("pictureFor", { mood })} onFile={async (file) => setMood(on, speaker.id, mood, await sendFile(file, () => {}))} h="66px" w="74px" p="0" overflow="hidden">
        {entry ? <Image src={entry.src} alt="" h="62px" /> : t("add")}
      </PictureButton>
      <Text truncate title={mood}>{mood}</Text>
    </Box>
  );
}

interface PictureProps { label: string; disabled?: boolean; onFile: (file: File) => Promise<void>; children: ReactNode; h?: string; w?: string; p?: string; overflow?: "hidden" }

/** A button that takes in a picture from this computer. */
function PictureButton({ label, disabled = false, onFile, children, ...box }: PictureProps): ReactNode {
  const { input, open } = useFilePicker({ accept: PICTURES, label, onFiles: ([file]) => void onFile(file).catch(sayError) });
  return <>{input}<QuietButton size="xs" aria-label={label} title={label} disabled={disabled} onClick={open} {...box}>{children}</QuietButton></>;
}

function Place({ on, speaker }: { on: On; speaker: Speaker }): ReactNode {
  const put = (change: Partial<Speaker>, what: string): void => changeSpeaker(on, speaker.id, () => change, `${speaker.id} ${what}`);
  return (
    <>
      <NumberField label={t("positionOfPerson")} help={t("positionHelp")} value={speaker.at ?? null} min={0} max={100} none={{ word: t("byItself"), onNone: () => put({ at: null }, "at") }} onChange={(at) => put({ at }, "at")} />
      <NumberField label={t("sizeOfPerson")} help={t("sizeHelp")} value={speaker.size} min={20} max={150} onChange={(size) => put({ size }, "size")} />
      <Check label={t("looksTheOtherWay")} value={speaker.flipped} onChange={(flipped) => put({ flipped }, "flipped")} />
    </>
  );
}
