import { Box, Heading, Text } from "@chakra-ui/react";
import type { ReactNode } from "react";
import { changeSlide, useCourse } from "../store/store";
import { TextField } from "../../kit/TextField";
import { t } from "../../words/plan";

/** What is said on the slide that is being planned, and what it is meant to do. */
export function NotesPanel(): ReactNode {
  const slide = useCourse((state) => state.slides[state.selection.slide ?? ""]);
  if (!slide) return null;
  return (
    <Box borderTopWidth="1px" px="3.5" py="2.5" data-own-keys>
      <Heading as="h3" fontSize="13px" fontFamily="body" truncate>{t("notesToTitle", { title: slide.title || t("untitled") })}</Heading>
      <Text srOnly>{t("theyBelongToTheSlide")}</Text>
      <TextField
        key={`n${slide.id}`} label={t("notesOnlyYourTeamSees")} value={slide.notes} lines={2} hint={t("whatThisSlideIsMeant")}
        onChange={(notes) => changeSlide(t("notes"), { ...slide, notes }, `notes-${slide.id}`)}
      />
      <TextField
        key={`t${slide.id}`} label={t("transcriptLearnersCanReadIt")} value={slide.transcript} lines={2} hint={t("whatIsSaidOnThis")}
        onChange={(transcript) => changeSlide(t("transcript"), { ...slide, transcript }, `transcript-${slide.id}`)}
      />
    </Box>
  );
}
