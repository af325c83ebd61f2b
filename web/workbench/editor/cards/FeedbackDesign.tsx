import { Box, Stack, Text } from "@chakra-ui/react";
import type { ReactNode } from "react";
import type { Course } from "../../../api/types";
import { named } from "../../judges/WithIt";
import { changeCourse, useCourse } from "../../store/store";
import { FoldCard } from "../../../kit/FoldCard";
import { Check } from "../../../kit/Check";
import { Choose } from "../../../kit/Choose";
import { NumberField } from "../../../kit/NumberField";
import { Pair } from "../../../kit/Pair";
import { TextField } from "../../../kit/TextField";
import { PaintField } from "../fields/PaintField";
import { t } from "../../../words/editor";

type Design = Course["feedback"];
type Tone = "right" | "partly" | "wrong" | "plain";

const PLACES = [["below", t("belowTheQuestion")], ["beside", t("besideTheQuestion")], ["over", t("overTheQuestion")]] as const;
const TONES: readonly (readonly [Tone, string, string])[] = [
  ["right", t("right"), t("right")], ["partly", t("partlyRight"), t("partlyRight")], ["wrong", t("notRight"), t("notRight")], ["plain", t("notJudged"), t("thankYou")],
];

/** How feedback looks throughout the course; a change here changes all of it. */
export function FeedbackDesign(): ReactNode {
  const design = useCourse((state) => state.course.feedback);
  const change = (part: Partial<Design>): void => changeCourse(t("feedback"), { feedback: { ...design, ...part } }, `feedback-${Object.keys(part).join()}`);
  const restyle = (part: Partial<Design["style"]>): void => change({ style: { ...design.style, ...part } });
  return (
    <FoldCard title={t("feedbackDesign")} starts="closed">
      <Stack gap="2">
        <Text fontSize="12.5px" color="quiet">{t("howFeedbackLooksInEvery")}</Text>
        <Choose label={t("position")} value={design.place} options={PLACES} onChange={(place) => change({ place })} />
        <Pair>
          <NumberField label={t("width")} value={design.w} min={280} max={4_000} onChange={(w) => change({ w })} />
          <NumberField label={t("textSize")} value={design.style.size} min={12} max={80} onChange={(size) => restyle({ size })} />
        </Pair>
        <NumberField label={t("cornerRadius")} value={design.style.radius} min={0} max={80} onChange={(radius) => restyle({ radius })} />
        <PaintField label={t("background")} value={design.style.fill ?? null} onChange={(fill) => restyle({ fill })} onNone={() => restyle({ fill: null })} />
        <PaintField label={t("text")} value={design.style.text_colour} onChange={(text_colour) => restyle({ text_colour })} />
        <Check label={t("dimTheSlideBehindIt")} help={t("helpDimTheSlide")} value={design.dims} onChange={(dims) => change({ dims })} />
        <Check label={t("showHowItWasScored")} help={t("helpShowScoring")} value={design.tells} onChange={(tells) => change({ tells })} />
        {TONES.map(([tone, label, usual]) => (
          <ToneFields key={tone} label={label} usual={usual} value={design[tone]} onChange={(part) => change({ [tone]: { ...design[tone], ...part } })} />
        ))}
      </Stack>
    </FoldCard>
  );
}

function ToneFields(
  { label, usual, value, onChange }: { label: string; usual: string; value: Design["right"]; onChange: (part: Partial<Design["right"]>) => void },
): ReactNode {
  const media = useCourse((state) => state.course.media);
  const sounds = named(media, "audio");
  const with_ = media.find(({ id }) => id === value.speaker)?.name;
  return (
    <details>
      <Text as="summary" fontSize="13px" fontWeight="700" cursor="pointer">{label}{with_ ? t("spokenBySpeaker", { speaker: with_ }) : ""}</Text>
      <Box pl="3" pt="1">
        <Stack gap="1.5" role="group" aria-label={t("feedbackLabel", { label })}>
          <TextField label={t("titleIfEmptyUsual", { usual })} value={value.title} onChange={(title) => onChange({ title: title.slice(0, 80) })} />
          <Choose label={t("speaker")} help={t("helpSpeaker")} value={value.speaker ?? ""} options={[["", t("noSpeaker")], ...named(media, "picture")]} onChange={(speaker) => onChange({ speaker: speaker || null })} />
          {sounds.length > 0 && <Choose label={t("sound")} value={value.sound ?? ""} options={[["", t("none")], ...sounds]} onChange={(sound) => onChange({ sound: sound || null })} />}
          <PaintField label={t("colour")} value={value.colour ?? null} onChange={(colour) => onChange({ colour })} onNone={() => onChange({ colour: null })} />
        </Stack>
      </Box>
    </details>
  );
}
