import { Box, Flex, Heading, Text } from "@chakra-ui/react";
import { Trash2 } from "lucide-react";
import type { ReactNode } from "react";
import type { Cue, Slide, Timing } from "../../api/types";
import { Check } from "../../kit/Check";
import { Choose } from "../../kit/Choose";
import { TextField } from "../../kit/TextField";
import { Tool } from "../../kit/Tool";
import { atWord, type HeardWord } from "./leading";
import { Seconds } from "./Seconds";
import { endOf } from "./timing";
import { t } from "../../words/timing";

interface Props {
  cue: Cue;
  slide: Slide;
  timing: Timing;
  /** The words that are heard in what the timing follows. */
  words: readonly HeardWord[];
  onChange: (part: Partial<Cue>) => void;
  onRemove: () => void;
}

export const EFFECTS = [
  ["none", t("atOnce")], ["fade", t("fade")], ["slide", t("slide")], ["scale", t("grow")], ["flip", t("flip")],
] as const;

/** What the chosen cue does, when, and how. */
export function CueFields({ cue, slide, timing, words, onChange, onRemove }: Props): ReactNode {
  const element = slide.elements.find(({ id }) => id === cue.what);
  const verb = { appear: "appears", move: "moves", play: "plays", moment: "" }[cue.does];
  return (
    <Box as="section" aria-label={t("cue")} w="252px" flex="none" borderLeftWidth="1px" px="3" py="1.5" overflowY="auto" fontSize="13px">
      <Flex align="center" justify="space-between">
        <Heading as="h3" fontSize="13.5px" fontFamily="body" fontWeight="700" truncate>{element ? `${element.name} ${verb}` : cue.name || t("aTimeMark")}</Heading>
        <Tool label={t("removeThisCueDel")} onClick={onRemove}><Trash2 size={14} /></Tool>
      </Flex>
      <Flex gap="3" wrap="wrap" py="1">
        <Seconds label={t("at")} value={cue.at} onChange={(at) => onChange({ at })} />
        {cue.does === "appear" && cue.until != null && <Seconds label={t("until")} value={cue.until} onChange={(until) => onChange({ until })} />}
      </Flex>
      {words.length > 0 && (
        <Choose
          label={t("atWord")} help={t("helpAtWord")} value={cue.word ? String(cue.word.number) : ""}
          options={[["", t("noWord")], ...words.map(({ number, word }) => [String(number), word] as const)]}
          onChange={(number) => onChange(atWord(cue, words.find((one) => String(one.number) === number)))}
        />
      )}
      {cue.does === "moment" && <TextField label={t("nameForRules")} help={t("helpCueName")} value={cue.name} onChange={(name) => onChange({ name })} />}
      {cue.does === "appear" && (
        <>
          <Choose label={t("appearsWith")} value={cue.effect} options={EFFECTS} onChange={(effect) => onChange({ effect })} />
          <Check
            label={t("leavesAgain")} help={t("helpLeaves")} value={cue.until != null}
            onChange={(leaves) => onChange({ until: leaves ? Math.max(endOf(timing), cue.at + 2_000) : null })}
          />
          {cue.until != null && (
            <Choose label={t("leavesWith")} value={cue.leaves_with} options={EFFECTS} onChange={(leaves_with) => onChange({ leaves_with })} />
          )}
        </>
      )}
      {cue.does === "move" && element && (
        <Choose
          label={t("move")} value={cue.move ?? ""} options={element.moves.map(({ id, name }) => [id, name] as const)}
          onChange={(move) => onChange({ move })}
        />
      )}
      <Text color="quiet" fontSize="12px" mt="1">{t("whileItPlaysMSets")}</Text>
    </Box>
  );
}
