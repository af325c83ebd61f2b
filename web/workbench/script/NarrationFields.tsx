/** What a narration says, and its voice, in the card of its element. */
import { Field, Flex, Text, Textarea } from "@chakra-ui/react";
import { useEffect, useState, type ReactNode } from "react";
import type { AudioElement, MediaFile } from "../../api/types";
import { Check } from "../../kit/Check";
import { QuietButton } from "../../kit/QuietButton";
import { TextField } from "../../kit/TextField";
import { t } from "../../words/script";
import { attempt } from "../store/commands";
import { useCourse } from "../store/store";
import { placeOf, sayAt, speak } from "./rows";

interface Props {
  element: AudioElement;
  change: (label: string, part: Partial<AudioElement>) => void;
}

/** Whether a sound is narration; its words, who says them, and a machine voice for them. */
export function NarrationFields({ element, change }: Props): ReactNode {
  const file = useCourse((state) => state.course.media.find(({ id }) => id === element.media));
  const slide = useCourse((state) => state.selection.slide) ?? "";
  const key = placeOf(slide, element);
  return (
    <>
      <Check label={t("isNarration")} help={t("isNarrationHelp")} value={element.narration} onChange={(narration) => change(t("isNarration"), { narration })} />
      {element.narration && (
        <>
          <NarrationWords key={element.id} words={element.words} slide={slide} place={key} />
          <SpeakThis words={element.words} file={file} place={key} />
          <TextField label={t("speaker")} hint={t("narrator")} help={t("speakerHelp")} value={element.narrator} onChange={(narrator) => change(t("speaker"), { narrator: narrator.slice(0, 60) })} />
        </>
      )}
    </>
  );
}

/** The words are kept when one leaves the field: cues at words move along then. */
function NarrationWords({ words, slide, place }: { words: string; slide: string; place: string }): ReactNode {
  const [draft, setDraft] = useState(words);
  useEffect(() => setDraft(words), [words]);
  return (
    <Field.Root>
      <Field.Label fontSize="12.5px" color="quiet" fontWeight="400">{t("words")}</Field.Label>
      <Textarea
        size="xs" fontSize="13px" bg="paper" borderRadius="6px" rows={3} maxLength={20_000} value={draft} placeholder={t("typeWhatIsSaid")}
        onChange={(event) => setDraft(event.target.value)} onBlur={() => { if (draft.trim() !== words) void sayAt(slide, place, draft.trim()); }}
      />
    </Field.Root>
  );
}

function SpeakThis({ words, file, place }: { words: string; file: MediaFile | undefined; place: string }): ReactNode {
  const [busy, setBusy] = useState(false);
  const changed = file !== undefined && file.speech !== null && file.speech !== undefined && file.speech.words !== words;
  const run = async (): Promise<void> => {
    setBusy(true);
    await attempt(() => speak([place]));
    setBusy(false);
  };
  return (
    <Flex align="center" gap="2" py="1">
      <QuietButton size="xs" loading={busy} disabled={!words} onClick={() => void run()}>{t(file ? "speakAgain" : "speakNow")}</QuietButton>
      {words && (!file || changed) && <Text fontSize="12.5px" color={file ? "marigold.ink" : "brick"}>{t(file ? "state_changed" : "state_missing")}</Text>}
    </Flex>
  );
}
