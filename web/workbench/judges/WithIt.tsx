/** What comes with the words after an outcome. */
import { Stack, Text } from "@chakra-ui/react";
import type { ReactNode } from "react";
import type { MediaFile, Question, Slide } from "../../api/types";
import { Choose } from "../../kit/Choose";
import { TextField } from "../../kit/TextField";
import { kindOf } from "../store/media";
import { useCourse } from "../store/store";
import type { Outcome } from "./choices";
import { t } from "../../words/judges";

type Shown = Question["feedback"]["shows"][number];

interface Props {
  shows: readonly Shown[];
  /** Those of the slide, where one may open instead. */
  overlays?: Slide["overlays"];
  outcome: Outcome;
  label: string;
  /** It stands by itself, and says after what outcome. */
  alone?: boolean;
  onChange: (shows: Shown[]) => void;
}

/** A picture, a sound, or an overlay of the slide instead of the words. */
export function WithIt({ shows, overlays = [], outcome, label, alone = false, onChange }: Props): ReactNode {
  const media = useCourse((state) => state.course.media);
  const shown: Shown = shows.find(({ after }) => after === outcome) ?? { after: outcome, picture: null, alt: "", sound: null, overlay: null };
  const change = (part: Partial<Shown>): void => {
    const next = { ...shown, ...part };
    const others = shows.filter(({ after }) => after !== outcome);
    onChange(next.picture || next.sound || next.overlay ? [...others, next] : others);
  };
  const pictures = named(media, "picture");
  const sounds = named(media, "audio");
  if (![...pictures, ...sounds, ...overlays].length) return null;
  const what = summary(shown, media, overlays, alone);
  return (
    <details>
      <Text as="summary" fontSize={alone ? "13px" : "12px"} color="quiet" cursor="pointer">{alone ? t("labelWhat", { label, what }) : what}</Text>
      <Stack gap="1" pl="3" pt="1" role="group" aria-label={t("labelPictureSoundOverlay", { label })}>
        {pictures.length > 0 && <Choose label={t("picture")} value={shown.picture ?? ""} options={[["", t("none")], ...pictures]} onChange={(picture) => change({ picture: picture || null })} />}
        {shown.picture && <TextField label={t("textAlternativeOfThePicture")} value={shown.alt} onChange={(alt) => change({ alt })} />}
        {sounds.length > 0 && <Choose label={t("sound")} value={shown.sound ?? ""} options={[["", t("none")], ...sounds]} onChange={(sound) => change({ sound: sound || null })} />}
        {overlays.length > 0 && (
          <Choose
            label={t("openAnOverlayInstead")} help={t("helpOverlayInstead")} value={shown.overlay ?? ""} options={[["", t("noOverlay")], ...overlays.map(({ id, name }) => [id, name] as const)]}
            onChange={(overlay) => change({ overlay: overlay || null })}
          />
        )}
      </Stack>
    </details>
  );
}

/** The files of a kind, to choose from. */
export function named(media: readonly MediaFile[], kind: "picture" | "audio"): [string, string][] {
  return media.filter((file) => kindOf(file) === kind).map(({ id, name }) => [id, name]);
}

function summary(shown: Shown, media: readonly MediaFile[], overlays: Slide["overlays"], alone: boolean): string {
  const name = (id: string | null | undefined): string => media.find((file) => file.id === id)?.name ?? "";
  const overlay = overlays.find(({ id }) => id === shown.overlay);
  if (overlay) return t("opensNameInstead", { name: overlay.name });
  const with_ = [name(shown.picture), name(shown.sound)].filter(Boolean);
  if (with_.length) return t("withNames", { names: with_.join(" and ") });
  return alone ? t("nothingWithIt") : t("addAPictureASound");
}
