/** The sound in the background: of the whole course, or of a section. */
import { Stack, Text } from "@chakra-ui/react";
import type { ReactNode } from "react";
import { DEFAULTS } from "../../../api/defaults";
import type { Course, MediaFile, Slide } from "../../../api/types";
import { Choose } from "../../../kit/Choose";
import { FoldCard } from "../../../kit/FoldCard";
import { NumberField } from "../../../kit/NumberField";
import { QuietButton } from "../../../kit/QuietButton";
import { t } from "../../../words/editor";
import { keepFiles } from "../../store/media";
import { useSection } from "../../store/sectionOn";
import { changeCourse, useCourse } from "../../store/store";
import { FileChooser } from "../fields/FileField";

type Sound = NonNullable<Course["sound"]>;
const IN_SECTION = [["course", t("asInTheCourse")], ["own", t("soundOfItsOwn")], ["silent", t("noBackgroundSound")]] as const;

/** The sound that plays in the background of the course, and that of the section of `slide`. */
export function BackgroundSound({ slide }: { slide: Slide | null }): ReactNode {
  const sound = useCourse((state) => state.course.sound);
  return (
    <FoldCard title={t("backgroundSound")} starts="closed">
      <Stack gap="2">
        <SoundFields sound={sound ?? null} onChange={(next, key) => changeCourse(t("backgroundSound"), { sound: next }, key)} />
        <Text fontSize="12.5px" color="quiet">{t("backgroundSoundHelp")}</Text>
        {slide && <SectionSound slide={slide} />}
      </Stack>
    </FoldCard>
  );
}

/** What is different in the section that the slide is in. */
function SectionSound({ slide }: { slide: Slide }): ReactNode {
  const sections = useCourse((state) => state.course.sections);
  const section = useSection(slide.id);
  const file = useCourse((state) => state.course.media.find(({ type, speech }) => type.startsWith("audio/") && !speech)?.id);
  if (!section) return null;
  const change = (part: Partial<typeof section>, key?: string): void => changeCourse(t("backgroundSound"), {
    sections: sections.map((other) => (other.id === section.id ? { ...other, ...part } : other)),
  }, key && `${key}-${section.id}`);
  const choose = (value: string): void => {
    if (value !== "own") change({ silent: value === "silent", sound: null });
    else if (file) change({ silent: false, sound: { media: file, ...DEFAULTS.BackgroundSound } });
  };
  const options = file || section.sound ? IN_SECTION : IN_SECTION.filter(([value]) => value !== "own");
  return (
    <>
      <Choose label={t("inSection", { title: section.title })} value={section.silent ? "silent" : section.sound ? "own" : "course"} options={options} onChange={choose} />
      {section.sound && <SoundFields sound={section.sound} onChange={(sound, key) => change({ sound }, key)} />}
    </>
  );
}

interface FieldsProps {
  sound: Sound | null;
  /** Changes with the same `key` that follow each other are undone as one. */
  onChange: (sound: Sound | null, key?: string) => void;
}

function SoundFields({ sound, onChange }: FieldsProps): ReactNode {
  const put = (file: MediaFile): void => {
    keepFiles([file]);
    onChange({ ...DEFAULTS.BackgroundSound, ...sound, media: file.id });
  };
  const percent = (label: string, part: "volume" | "lowered", help: string): ReactNode => sound && (
    <NumberField label={label} help={help} value={Math.round(sound[part] * 100)} min={0} max={100} onChange={(value) => onChange({ ...sound, [part]: value / 100 }, `background-sound-${part}`)} />
  );
  return (
    <>
      <FileChooser kind="audio" current={sound?.media ?? null} word={t("chooseWords", { words: t("anAudioFile") })} onFile={put} />
      {percent(t("volume"), "volume", t("helpBackgroundVolume"))}
      {percent(t("loweredTo"), "lowered", t("helpLoweredTo"))}
      {sound && <QuietButton size="xs" alignSelf="start" onClick={() => onChange(null)}>{t("removeSound")}</QuietButton>}
    </>
  );
}
