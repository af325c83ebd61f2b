import { Box, Flex, Heading, Text } from "@chakra-ui/react";
import { Trash2 } from "lucide-react";
import type { ReactNode } from "react";
import type { Cue, Slide, Timing } from "../../api/types";
import { Check } from "../../kit/Check";
import { Choose } from "../../kit/Choose";
import { TextField } from "../../kit/TextField";
import { Tool } from "../../kit/Tool";
import { Seconds } from "./Seconds";
import { endOf } from "./timing";

interface Props {
  cue: Cue;
  slide: Slide;
  timing: Timing;
  onChange: (part: Partial<Cue>) => void;
  onRemove: () => void;
}

export const EFFECTS = [
  ["none", "at once"], ["fade", "fading"], ["slide", "sliding"], ["scale", "growing"], ["flip", "turning over"],
] as const;

/** What the chosen cue does, when, and how. */
export function CueFields({ cue, slide, timing, onChange, onRemove }: Props): ReactNode {
  const element = slide.elements.find(({ id }) => id === cue.what);
  const verb = { appear: "appears", move: "moves", play: "plays", moment: "" }[cue.does];
  return (
    <Box as="section" aria-label="Cue" w="252px" flex="none" borderLeftWidth="1px" px="3" py="1.5" overflowY="auto" fontSize="13px">
      <Flex align="center" justify="space-between">
        <Heading as="h3" fontSize="13.5px" fontFamily="body" fontWeight="700" truncate>{element ? `${element.name} ${verb}` : cue.name || "A moment"}</Heading>
        <Tool label="Remove this cue (Del)" onClick={onRemove}><Trash2 size={14} /></Tool>
      </Flex>
      <Flex gap="3" wrap="wrap" py="1">
        <Seconds label="at" value={cue.at} onChange={(at) => onChange({ at })} />
        {cue.does === "appear" && cue.until != null && <Seconds label="until" value={cue.until} onChange={(until) => onChange({ until })} />}
      </Flex>
      {cue.does === "moment" && <TextField label="Its name, for sentences" value={cue.name} onChange={(name) => onChange({ name })} />}
      {cue.does === "appear" && (
        <>
          <Choose label="comes" value={cue.effect} options={EFFECTS} onChange={(effect) => onChange({ effect })} />
          <Check
            label="leaves again" value={cue.until != null}
            onChange={(leaves) => onChange({ until: leaves ? Math.max(endOf(timing), cue.at + 2_000) : null })}
          />
          {cue.until != null && (
            <Choose label="goes" value={cue.leaves_with} options={EFFECTS} onChange={(leaves_with) => onChange({ leaves_with })} />
          )}
        </>
      )}
      {cue.does === "move" && element && (
        <Choose
          label="move" value={cue.move ?? ""} options={element.moves.map(({ id, name }) => [id, name] as const)}
          onChange={(move) => onChange({ move })}
        />
      )}
      <Text color="quiet" fontSize="12px" mt="1">While it plays, M sets this cue to the moment, Shift M its end.</Text>
    </Box>
  );
}
