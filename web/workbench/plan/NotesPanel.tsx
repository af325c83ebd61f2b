import { Box, Heading, Text } from "@chakra-ui/react";
import type { ReactNode } from "react";
import { changeSlide, useCourse } from "../store/store";
import { TextField } from "../../kit/TextField";

/** What is said on the slide that is being planned, and what it is meant to do. */
export function NotesPanel(): ReactNode {
  const slide = useCourse((state) => state.slides[state.selection.slide ?? ""]);
  if (!slide) return null;
  return (
    <Box borderTopWidth="1px" px="3.5" py="2.5" data-own-keys>
      <Heading as="h3" fontSize="13px" fontFamily="body" truncate>Notes to “{slide.title || "Untitled"}”</Heading>
      <Text srOnly>They belong to the slide that is marked in the outline.</Text>
      <TextField
        key={`n${slide.id}`} label="For you and your team" value={slide.notes} lines={2} hint="What this slide is meant to do"
        onChange={(notes) => changeSlide("Notes", { ...slide, notes }, `notes-${slide.id}`)}
      />
      <TextField
        key={`t${slide.id}`} label="Transcript, for the learner to read" value={slide.transcript} lines={2} hint="What is said on this slide"
        onChange={(transcript) => changeSlide("Transcript", { ...slide, transcript }, `transcript-${slide.id}`)}
      />
    </Box>
  );
}
