/** Says: the words of an element, for eyes and ears. */
import { Stack, Text } from "@chakra-ui/react";
import type { ReactNode } from "react";
import type { Element } from "../../api/types";
import { renameElement } from "../store/commands";
import { changeElements, edit } from "../store/store";
import { FoldCard, QuietButton } from "../ui/parts";
import { Check, Choose, TextField } from "./fields";
import { PictureChooser } from "./PictureChooser";
import { plain } from "./says";

const LEVELS = [["body", "text"], ["title", "title of the slide"], ["heading", "heading"]] as const;

export function Says({ element }: { element: Element }): ReactNode {
  function change(label: string, part: Partial<Element>): void {
    changeElements(label, [element.id], (e) => ({ ...e, ...part }) as Element, `${label}-${element.id}`);
  }
  return (
    <FoldCard title="Says">
      <Stack gap="2">
        <TextField label="Name, for you" value={element.name} onChange={(name) => renameElement(element.id, name)} />
        {element.kind === "text" && (
          <>
            <Text fontSize="13px" lineClamp={3}>{plain(element.text) || "No words yet."}</Text>
            <QuietButton size="xs" onClick={() => edit(element.id)}>Edit the text</QuietButton>
            <Choose
              label="read as" value={element.level} options={LEVELS}
              onChange={(level) => change("Read as", { level } as Partial<Element>)}
            />
          </>
        )}
        {element.kind === "button" && (
          <TextField label="On it" value={element.label} onChange={(label) => change("Label", { label } as Partial<Element>)} />
        )}
        {element.kind === "picture" && <PictureChooser element={element} />}
        {(element.kind === "picture" || element.kind === "shape") && (
          <>
            {!element.decoration && (
              <TextField
                label="Text alternative" lines={3} value={element.alt}
                hint="What is there to be seen, for those who do not see it"
                onChange={(alt) => change("Text alternative", { alt })}
              />
            )}
            <Check
              label="Decoration, not read out" value={element.decoration}
              onChange={(decoration) => change("Decoration", { decoration })}
            />
          </>
        )}
      </Stack>
    </FoldCard>
  );
}
