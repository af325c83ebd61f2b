import { Box, chakra, Flex, Text } from "@chakra-ui/react";
import { useState, type ReactNode } from "react";
import type { Slide } from "../../api/types";
import type { Pairing } from "./pairing";
import { changeQuestion, partWords } from "./parts";
import { t } from "../../words/judges";

type Mode = "right" | "only";

/** Items by targets: what belongs where, and what may be put where at all. */
export function PairTable({ slide, question }: { slide: Slide; question: Pairing }): ReactNode {
  const [mode, setMode] = useState<Mode>("right");
  const { items, targets } = question;
  if (!items.length || !targets.length) return null;
  const turn = (item: string, target: string): void => {
    if (mode === "right") {
      changeQuestion(question, { items: items.map((one) => (one.id === item ? { ...one, to: turned(one.to, target) } : one)) }, t("correctTargets"));
      return;
    }
    changeQuestion(question, {
      targets: targets.map((one) => (one.id === target ? { ...one, only: turnedOnly(one.only, item, items.map(({ id }) => id)) } : one)),
    }, t("allowedTargets"));
  };
  return (
    <Box>
      <Flex gap="1" mb="1" role="group" aria-label={t("showInTheTable")}>
        {([["right", t("correctTargets")], ["only", t("allowedTargets")]] as const).map(([name, words]) => (
          <chakra.button
            key={name} type="button" aria-pressed={mode === name} onClick={() => setMode(name)} fontSize="12px" px="2" py="0.5" borderRadius="6px" borderWidth="1px"
            bg={mode === name ? "spruce.soft" : "sheet"}
          >
            {words}
          </chakra.button>
        ))}
      </Flex>
      <Box overflowX="auto">
        <chakra.table fontSize="12px" css={{ borderCollapse: "collapse" }} aria-label={mode === "right" ? t("correctTargets") : t("allowedTargets")}>
          <thead>
            <tr>
              <th />
              {targets.map((target) => <chakra.th key={target.id} scope="col" px="1" fontWeight="600" maxW="74px" truncate title={partWords(slide, target)}>{partWords(slide, target) || t("target")}</chakra.th>)}
            </tr>
          </thead>
          <tbody>
            {items.map((item) => (
              <tr key={item.id}>
                <chakra.th scope="row" textAlign="left" fontWeight="400" pr="2" maxW="110px" truncate title={partWords(slide, item)}>{partWords(slide, item) || t("item")}</chakra.th>
                {targets.map((target) => {
                  const on = mode === "right" ? item.to.includes(target.id) : !target.only.length || target.only.includes(item.id);
                  return (
                    <chakra.td key={target.id} textAlign="center" borderWidth="1px" p="0">
                      <chakra.button
                        type="button" w="100%" minW="30px" h="26px" aria-pressed={on} fontWeight="700" bg={on ? "spruce.soft" : "sheet"} color="spruce"
                        aria-label={`${partWords(slide, item)} ${mode === "right" ? t("belongsOn") : t("mayBePutOn")} ${partWords(slide, target)}`}
                        onClick={() => turn(item.id, target.id)}
                      >
                        {on ? "✓" : ""}
                      </chakra.button>
                    </chakra.td>
                  );
                })}
              </tr>
            ))}
          </tbody>
        </chakra.table>
      </Box>
      {mode === "only" && <Text fontSize="12px" color="quiet" mt="1">{t("itemsCannotBeDroppedWhere")}</Text>}
    </Box>
  );
}

function turned(list: readonly string[], name: string): string[] {
  return list.includes(name) ? list.filter((other) => other !== name) : [...list, name];
}

/** Which items a target takes; all of them stand as none. */
function turnedOnly(only: readonly string[], item: string, all: readonly string[]): string[] {
  const next = turned(only.length ? only : all, item);
  return next.length === all.length ? [] : next;
}
