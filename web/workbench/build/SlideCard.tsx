/** The slide itself: shown when nothing on it is selected. */
import { Stack, Text } from "@chakra-ui/react";
import type { ReactNode } from "react";
import type { Background, Slide } from "../../api/types";
import { setBackgroundPicture } from "../store/pictures";
import { changeSlide } from "../store/store";
import { Card, QuietButton } from "../ui/parts";
import { Choose, ColourField, TextField } from "./fields";
import { FileChooser } from "./PictureChooser";

const FIT = [["cover", "fill the slide"], ["contain", "whole picture"], ["fill", "stretch"]] as const;

export function SlideCard({ slide }: { slide: Slide }): ReactNode {
  const { background } = slide;
  function change(part: Partial<Background>): void {
    changeSlide("Background", { ...slide, background: { ...background, ...part } },
      `background-${Object.keys(part).join()}-${slide.id}`);
  }
  return (
    <>
      <Card title="This slide">
        <TextField
          label="Title, for the menu and for you" value={slide.title}
          onChange={(title) => { if (title) changeSlide("Rename slide", { ...slide, title }, `title-${slide.id}`); }}
        />
      </Card>
      <Card title="Background">
        <Stack gap="2">
          <ColourField label="colour" value={background.colour} onChange={(colour) => change({ colour })} />
          <FileChooser
            current={background.picture ?? null} word={background.picture ? "Another picture" : "Choose a picture"}
            onFile={setBackgroundPicture} onExisting={(picture) => change({ picture })}
          />
          {background.picture && (
            <>
              <Choose label="fit" value={background.fit} options={FIT} onChange={(fit) => change({ fit })} />
              <QuietButton size="xs" onClick={() => change({ picture: null })}>No picture</QuietButton>
            </>
          )}
        </Stack>
      </Card>
      <Text color="quiet" fontSize="13px" px="1">
        Select something on the slide to see what it says, how it looks and what it does.
      </Text>
    </>
  );
}
