import { Box, Flex, Heading, Stack, Text } from "@chakra-ui/react";
import { Plus, Trash2 } from "lucide-react";
import { useMemo, type ReactNode } from "react";
import type { Slide, Variable } from "../../api/types";
import { Check } from "../../kit/Check";
import { Choose } from "../../kit/Choose";
import { NumberField } from "../../kit/NumberField";
import { TextField } from "../../kit/TextField";
import { freshId } from "../store/ids";
import { freeName } from "../store/names";
import { changeCourse, goToSlide, useCourse } from "../store/store";
import { QuietButton } from "../../kit/QuietButton";
import { t } from "../../words/does";

const TYPES = [["number", t("aNumber")], ["text", t("aText")], ["yes_no", t("yesOrNo")]] as const;

/** The variables of the course: what it remembers, and where. */
export function VariablesPanel(): ReactNode {
  const variables = useCourse((state) => state.course.variables);
  const slides = useCourse((state) => state.slides);
  const uses = useMemo(() => usesOf(variables, slides), [variables, slides]);
  function put(next: Variable[], label: string, merge?: string): void {
    changeCourse(label, { variables: next }, merge);
  }
  function add(): void {
    const name = freeName(t("variable"), variables.map((variable) => variable.name));
    put([...variables, { type: "number", id: freshId(), name, description: "", default: 0, min: -1e9, max: 1e9, decimals: 6 }], t("addVariable"));
  }
  return (
    <Box px="3.5" py="3">
      <Heading as="h2" fontSize="14px" fontFamily="body" fontWeight="700" pb="2">{t("variables")}</Heading>
      {!variables.length && (
        <Text color="quiet" mb="3">
          {t("aVariableIsANumber")}
        </Text>
      )}
      <Stack gap="3">
        {variables.map((variable, index) => (
          <VariableBox
            key={variable.id} variable={variable} places={uses.get(variable.id) ?? []} slides={slides}
            onChange={(next) => put(variables.map((v, n) => (n === index ? next : v)), t("changeVariable"), `variable-${variable.id}`)}
            onRemove={() => put(variables.filter((_, n) => n !== index), t("deleteVariable"))}
          />
        ))}
      </Stack>
      <QuietButton size="xs" mt="3" onClick={add}><Plus size={14} />{t("variable")}</QuietButton>
    </Box>
  );
}

interface BoxProps {
  variable: Variable;
  places: readonly string[];
  slides: Readonly<Record<string, Slide>>;
  onChange: (variable: Variable) => void;
  onRemove: () => void;
}

function VariableBox({ variable, places, slides, onChange, onRemove }: BoxProps): ReactNode {
  return (
    <Box borderWidth="1px" borderRadius="card" p="2.5" bg="sheet" role="group" aria-label={variable.name} data-variable={variable.id}>
      <TextField label={t("name")} value={variable.name} onChange={(name) => { if (name.trim()) onChange({ ...variable, name }); }} />
      <Choose label={t("is")} value={variable.type} options={TYPES} onChange={(type) => onChange(retyped(variable, type))} />
      {variable.type === "number" && (
        <>
          <NumberField label={t("startValue")} value={variable.default} onChange={(value) => onChange({ ...variable, default: value })} />
          <NumberField label={t("minimum")} help={t("helpMinimum")} value={variable.min} onChange={(min) => onChange({ ...variable, min })} />
          <NumberField label={t("maximum")} help={t("helpMaximum")} value={variable.max} onChange={(max) => onChange({ ...variable, max })} />
          <NumberField label={t("decimals")} help={t("helpDecimals")} value={variable.decimals} min={0} max={6} onChange={(decimals) => onChange({ ...variable, decimals: Math.round(decimals) })} />
        </>
      )}
      {variable.type === "text" && (
        <>
          <TextField label={t("startValue")} value={variable.default} onChange={(value) => onChange({ ...variable, default: value.slice(0, 250) })} />
          <Check label={t("fromLms")} help={t("helpFromLms")} value={variable.from_lms} onChange={(from_lms) => onChange({ ...variable, from_lms })} />
        </>
      )}
      {variable.type === "yes_no" && (
        <Check label={t("startsAsYes")} value={variable.default} onChange={(value) => onChange({ ...variable, default: value })} />
      )}
      <TextField label={t("description")} help={t("helpDescription")} value={variable.description} onChange={(description) => onChange({ ...variable, description })} />
      <Flex wrap="wrap" gap="1" align="center" pt="1" fontSize="12.5px" color="quiet">
        {places.length ? <span>{t("usedOn")}</span> : <span>{t("notUsedYet")}</span>}
        {places.map((id) => (
          <QuietButton key={id} size="2xs" onClick={() => goToSlide(id)}>{slides[id]?.title || t("aSlide")}</QuietButton>
        ))}
        {!places.length && (
          <QuietButton size="2xs" ml="auto" onClick={onRemove}><Trash2 size={12} />{t("delete")}</QuietButton>
        )}
      </Flex>
      {places.length > 0 && (
        <Text fontSize="12px" color="quiet">{t("canBeDeletedOnce", { count: places.length })}</Text>
      )}
    </Box>
  );
}

function retyped({ id, name, description }: Variable, type: Variable["type"]): Variable {
  const common = { id, name, description };
  if (type === "number") return { ...common, type, default: 0, min: -1e9, max: 1e9, decimals: 6 };
  return type === "text" ? { ...common, type, default: "", from_lms: false } : { ...common, type, default: false };
}

/** The slides on which each variable is named, in whatever way. */
function usesOf(variables: readonly Variable[], slides: Readonly<Record<string, Slide>>): Map<string, string[]> {
  const written = Object.entries(slides).map(([id, slide]) => [id, JSON.stringify(slide)] as const);
  return new Map(variables.map(({ id }) => [
    id, written.filter(([, text]) => text.includes(`"${id}"`)).map(([slide]) => slide),
  ]));
}
