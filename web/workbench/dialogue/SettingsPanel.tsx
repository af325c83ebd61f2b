/** How a dialogue is taken: what its points are for, advice, order of replies, starting again, values that are seen. */
import { Box, Flex, Stack, Text } from "@chakra-ui/react";
import { Trash2 } from "lucide-react";
import { memo, type ReactNode } from "react";
import { Check } from "../../kit/Check";
import { Choose } from "../../kit/Choose";
import { NumberField } from "../../kit/NumberField";
import { TextField } from "../../kit/TextField";
import { Tool } from "../../kit/Tool";
import { t } from "../../words/dialogue";
import { useCourse } from "../store/store";
import { changeDialogue, useDialogue, type On } from "./cast/casting";
import type { Dialogue } from "../../api/types";

/** The settings of a dialogue. */
export const SettingsPanel = memo(function SettingsPanel({ on }: { on: On }): ReactNode {
  const dialogue = useDialogue(on);
  const variables = useCourse((state) => state.course.variables);
  if (!dialogue) return null;
  const put = (change: Partial<Dialogue>, what: string): void => changeDialogue(on, t("settings"), () => change, what);
  const numbers = variables.filter(({ type, id }) => type === "number" && !dialogue.shows.some(({ variable }) => variable === id));
  const show = (variable: string): void => { if (variable) put({ shows: [...dialogue.shows, { variable, low: 0, high: 10 }] }, "shows"); };
  return (
    <Stack gap="1" fontSize="13px">
      <TextField label={t("nameOfDialogue")} value={dialogue.name} onChange={(name) => { if (name.trim()) put({ name: name.slice(0, 200) }, "name"); }} />
      <Choose label={t("purpose")} help={t("purposeHelp")} value={dialogue.purpose} options={[["scored", t("scored")], ["practice", t("practice")]]} onChange={(purpose) => put({ purpose }, "purpose")} />
      <Choose label={t("adviceIsGiven")} help={t("adviceHelp")} value={dialogue.advice} options={[["at_once", t("atOnce")], ["at_end", t("withTheEnd")]]} onChange={(advice) => put({ advice }, "advice")} />
      <Check label={t("randomOrder")} help={t("randomOrderHelp")} value={dialogue.random_order} onChange={(random_order) => put({ random_order }, "order")} />
      <Choose label={t("begins")} help={t("beginsHelp")} value={dialogue.starts} options={[["by_itself", t("withTheSlide")], ["by_rule", t("whenARuleStartsIt")]]} onChange={(starts) => put({ starts }, "starts")} />
      <Choose label={t("linesAppear")} help={t("linesAppearHelp")} value={dialogue.appears} options={[["at_once", t("asAWhole")], ["by_sentence", t("sentenceBySentence")], ["as_spoken", t("wordByWord")]]} onChange={(appears) => put({ appears }, "appears")} />
      <Check label={t("mayGoBack")} help={t("mayGoBackHelp")} value={dialogue.back} onChange={(back) => put({ back }, "back")} />
      <Check label={t("mayStartAgain")} help={t("mayStartAgainHelp")} value={dialogue.again} onChange={(again) => put({ again }, "again")} />
      <Text fontWeight="700" pt="2">{t("shownValues")}</Text>
      <Text color="quiet" fontSize="12.5px">{t("shownValuesHelp")}</Text>
      {dialogue.shows.map((one) => {
        const name = variables.find(({ id }) => id === one.variable)?.name ?? "";
        const change = (part: Partial<typeof one>): void => put({ shows: dialogue.shows.map((other) => (other === one ? { ...one, ...part } : other)) }, `shows ${one.variable}`);
        return (
          <Flex key={one.variable} align="center" gap="2" py="1" data-shown-value={name}>
            <Text flex="1" truncate>{name}</Text>
            <Box w="76px"><NumberField bare label={t("lowest", { name })} value={one.low} min={-1e6} max={1e6} onChange={(low) => change({ low })} /></Box>
            <Text>{t("to")}</Text>
            <Box w="76px"><NumberField bare label={t("highest", { name })} value={one.high} min={-1e6} max={1e6} onChange={(high) => change({ high })} /></Box>
            <Tool label={t("hideValue", { name })} onClick={() => put({ shows: dialogue.shows.filter((other) => other !== one) }, "shows")}><Trash2 size={14} /></Tool>
          </Flex>
        );
      })}
      {numbers.length > 0 && dialogue.shows.length < 5 && (
        <Choose label={t("showValue")} value="" options={[["", t("chooseValue")], ...numbers.map(({ id, name }) => [id, name] as const)]} onChange={show} />
      )}
    </Stack>
  );
});
