import { Box, Flex, Text } from "@chakra-ui/react";
import { Trash2 } from "lucide-react";
import type { ReactNode } from "react";
import type { Element } from "../../api/types";
import { TextField } from "../../kit/TextField";
import { removeThing } from "../store/commands";
import { changeElements } from "../store/store";
import { QuietButton } from "../../kit/QuietButton";
import { Tool } from "../../kit/Tool";
import { GIVEN, nameOf, overridesOf, useLook, withoutLook } from "./looks";
import { t } from "../../words/looks";

/** Says which look the fields below change, and what it overrides; each of that can be taken back. */
export function EditedLook({ element }: { element: Element }): ReactNode {
  const edited = useLook();
  const { look } = edited;
  const patch = look ? element.looks[look] : undefined;
  if (edited.element !== element.id || !look || !patch) return null;
  const overrides = overridesOf(patch);
  const when = GIVEN.find(([name]) => name === look)?.[1] ?? t("whenARuleGivesIt");
  function change(label: string, next: (e: Element) => Element): void {
    // This is about the look itself, not about something seen through it.
    useLook.setState({ element: null, look: null });
    changeElements(label, [element.id], next);
  }
  function remove(): void {
    if (!look) return;
    useLook.setState({ element: null, look: null });
    // Looks that every element can have are named alike everywhere: here they are only changed back.
    if (GIVEN.some(([name]) => name === look)) change(t("removeLook"), (e) => withoutLook(e, look));
    else void removeThing(t("removeLook"), { kind: "look", id: look }, (slide) => ({
      ...slide, elements: slide.elements.map((e) => (e.id === element.id ? withoutLook(e, look) : e)),
    }));
  }
  return (
    <Box bg="marigold.soft" borderRadius="6px" p="2" mb="2" fontSize="12.5px" role="status">
      <Flex align="center" justify="space-between">
        <Text fontWeight="700" color="marigold.ink">{t("theLookNameof", { nameOf: nameOf(element, look) })}</Text>
        <Tool label={t("removeThisLook")} onClick={remove}><Trash2 size={14} /></Tool>
      </Flex>
      <Text>{t("shownWhenChangesNowApply", { when })}</Text>
      {patch.name != null && (
        <TextField
          label={t("name")} value={patch.name} onChange={(name) => {
            change(t("renameLook"), (e) => ({ ...e, looks: { ...e.looks, [look]: { ...e.looks[look], name } } }));
            useLook.setState(edited);
          }}
        />
      )}
      <Text mt="1">{overrides.length ? t("itOverridesList", { list: overrides.join(", ") }) : t("itOverridesNothingYet")}</Text>
      {overrides.length > 0 && (
        <QuietButton
          size="2xs" px="2" mt="1" onClick={() => {
            const { name } = patch;
            change(t("resetLook"), (e) => ({ ...e, looks: { ...e.looks, [look]: name == null ? {} : { name } } }));
            useLook.setState(edited);
          }}
        >
          {t("resetToTheDefaultLook")}
        </QuietButton>
      )}
    </Box>
  );
}
