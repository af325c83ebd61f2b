import { Stack, Text } from "@chakra-ui/react";
import type { ReactNode } from "react";
import type { Element } from "../../../api/types";
import { renameElement } from "../../store/commands";
import { changeElements, edit } from "../../store/store";
import { FoldCard } from "../../../kit/FoldCard";
import { QuietButton } from "../../../kit/QuietButton";
import { Check } from "../../../kit/Check";
import { Choose } from "../../../kit/Choose";
import { TextField } from "../../../kit/TextField";
import { FileField, PosterField } from "../fields/FileField";
import { InputFields } from "./InputFields";
import { isEditable } from "../text/EditInPlace";
import { plain } from "../../store/richText";

const LEVELS = [["body", "text"], ["title", "title of the slide"], ["heading", "heading"]] as const;

/** Says: the words of an element, for eyes and ears. */
export function Says({ element }: { element: Element }): ReactNode {
  function change(label: string, part: object): void {
    changeElements(label, [element.id], (e) => ({ ...e, ...part }) as Element, `${label}-${element.id}`);
  }
  return (
    <FoldCard title="Says">
      <Stack gap="2">
        <TextField label="Name, for you" value={element.name} onChange={(name) => renameElement(element.id, name)} />
        <Words element={element} change={change} />
        {isEditable(element) && (
          <QuietButton size="xs" onClick={() => edit(element.id)}>
            {element.kind === "table" ? "Fill in the table" : "Edit the words"}
          </QuietButton>
        )}
        {!SPEAK_THEMSELVES.has(element.kind) && (
          <>
            {!element.decoration && (
              <TextField
                label={element.kind === "group" ? "One text alternative for all of it" : "Text alternative"}
                lines={3} value={element.alt} hint={hintFor(element)}
                onChange={(alt) => change("Text alternative", { alt })}
              />
            )}
            {CAN_DECORATE.has(element.kind) && (
              <Check
                label="Decoration, not read out" value={element.decoration}
                onChange={(decoration) => change("Decoration", { decoration })}
              />
            )}
          </>
        )}
      </Stack>
    </FoldCard>
  );
}

/** What is read out by its own words. */
const SPEAK_THEMSELVES = new Set<Element["kind"]>(["text", "button", "input"]);
const CAN_DECORATE = new Set<Element["kind"]>(["picture", "shape", "group", "meter"]);

function hintFor({ kind }: Element): string {
  switch (kind) {
    case "area": return "What a click on it does, in a few words";
    case "meter": return "What it measures";
    case "table": return "What the table is about";
    case "video": case "audio": return "What is seen or heard";
    default: return "What is there to be seen, for those who do not see it";
  }
}

function Words({ element, change }: { element: Element; change: (label: string, part: object) => void }): ReactNode {
  switch (element.kind) {
    case "text":
      return (
        <>
          <Text fontSize="13px" lineClamp={3}>{plain(element.text) || "No words yet."}</Text>
          <Choose label="read as" value={element.level} options={LEVELS} onChange={(level) => change("Read as", { level })} />
        </>
      );
    case "button":
      return <TextField label="On it" value={element.label} onChange={(label) => change("Label", { label })} />;
    case "picture": case "audio": return <FileField element={element} />;
    case "video": return <><FileField element={element} /><PosterField element={element} /></>;
    case "input": return <InputFields element={element} change={change} />;
    case "embed":
      return (
        <TextField
          label="Address, beginning with https://" value={element.address}
          onChange={(address) => { if (/^(https:\/\/[^\s"'<>]+)?$/.test(address)) change("Address", { address }); }}
        />
      );
    default: return null;
  }
}
