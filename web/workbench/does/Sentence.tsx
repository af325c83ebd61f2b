import { Box, Flex, Text } from "@chakra-ui/react";
import { Ban, Copy, Maximize2, Minimize2, Trash2 } from "lucide-react";
import { useState, type ReactNode } from "react";
import { createPortal } from "react-dom";
import type { Rule, When } from "../../api/types";
import { Tool } from "../../kit/Tool";
import { Actions } from "./Actions";
import { ConditionEditor } from "./ConditionEditor";
import type { Owner } from "./sentences";
import type { Things } from "./things";
import { WhenWords } from "./WhenWords";
import { t } from "../../words/does";

interface Props {
  rule: Rule;
  owner: Owner;
  things: Things;
  onChange: (rule: Rule) => void;
  onRemove: () => void;
  onCopy: () => void;
}

/** What changes the sentence is there while it is pointed at or has the focus; touch screens always show it. */
const QUIET = {
  "@media (hover: hover)": {
    "& [data-changes]": { opacity: 0 },
    "&:hover [data-changes], &:focus-within [data-changes]": { opacity: 1 },
  },
};

/** Where a rule stands that is shown wide, over the lower edge of the slide. */
export const WIDE = "data-wide-rule";

/** One rule as a sentence: When …, if …: do …. Otherwise: …. A long one can be shown wide. */
export function Sentence(props: Props): ReactNode {
  const [wide, setWide] = useState(false);
  const place = wide ? document.querySelector(`[${WIDE}]`) : null;
  const words = <Words {...props} wide={Boolean(place)} onWide={() => setWide(!wide)} />;
  if (!place) return words;
  return (
    <>
      <Text color="quiet" fontSize="13px" py="2">{t("isOpenBelow")}</Text>
      {createPortal(
        <Box
          bg="sheet" borderWidth="1px" borderRadius="12px" boxShadow="0 4px 24px rgb(34 48 43 / 22%)" px="4" py="2" data-own-keys
          onKeyDown={(event) => { if (event.key === "Escape") setWide(false); }}
        >
          {words}
        </Box>, place,
      )}
    </>
  );
}

function Words({ rule, owner, things, onChange, onRemove, onCopy, wide, onWide }: Props & { wide: boolean; onWide: () => void }): ReactNode {
  const branches = rule.condition !== true || rule.otherwise.length > 0;
  return (
    <Box
      py="1.5" borderTopWidth={wide ? 0 : "1px"} _first={{ borderTopWidth: 0, pt: 0 }} lineHeight="2"
      opacity={rule.off ? 0.55 : 1} data-sentence role="group" aria-label={t("rule")} css={QUIET}
    >
      <Flex wrap="wrap" align="center" columnGap="1">
        <span>{t("when")}</span>
        <WhenWords when={rule.when} owner={owner} things={things} onChange={(when: When) => onChange({ ...rule, when })} />
        {rule.condition === true && <span>:</span>}
        {rule.condition === true && <Actions actions={rule.do} things={things} onChange={(actions) => onChange({ ...rule, do: actions })} />}
      </Flex>
      <ConditionEditor condition={rule.condition} things={things} onChange={(condition) => onChange({ ...rule, condition })} />
      {rule.condition !== true && (
        <Flex wrap="wrap" align="center" columnGap="1">
          <span>{t("do")}</span>
          <Actions actions={rule.do} things={things} onChange={(actions) => onChange({ ...rule, do: actions })} />
        </Flex>
      )}
      {branches && (
        <Flex wrap="wrap" align="center" columnGap="1">
          <span>{t("otherwise")}</span>
          <Actions actions={rule.otherwise} things={things} otherwise onChange={(otherwise) => onChange({ ...rule, otherwise })} />
        </Flex>
      )}
      {rule.off && <Text fontSize="12.5px" color="quiet">{t("turnedOffItNeverRuns")}</Text>}
      <Flex justify="flex-end" mt="-1" data-changes>
        <Tool label={wide ? t("closeWide") : t("openWide")} onClick={onWide}>{wide ? <Minimize2 size={14} /> : <Maximize2 size={14} />}</Tool>
        <Tool label={rule.off ? t("turnThisRuleOn") : t("turnThisRuleOff")} aria-pressed={rule.off} onClick={() => onChange({ ...rule, off: !rule.off })}>
          <Ban size={14} />
        </Tool>
        <Tool label={t("copyThisRule")} onClick={onCopy}><Copy size={14} /></Tool>
        <Tool label={t("removeThisRule")} onClick={onRemove}><Trash2 size={14} /></Tool>
      </Flex>
    </Box>
  );
}
