import type { ReactNode } from "react";
import type { InputElement, Variable } from "../../../api/types";
import { freshId } from "../../store/ids";
import { freeName } from "../../store/names";
import { changeCourse, useCourse } from "../../store/store";
import { Check } from "../../../kit/Check";
import { Choose } from "../../../kit/Choose";
import { NumberField } from "../../../kit/NumberField";
import { Pair } from "../../../kit/Pair";
import { TextField } from "../../../kit/TextField";
import { t } from "../../../words/editor";

const KINDS = [
  ["text", t("text")], ["name", t("nameOfTheLearner")], ["mail", t("mailAddress")], ["date", t("dateInput")], ["long", t("longText")], ["number", t("number")], ["choice", t("choiceFromAList")], ["checkbox", t("yesOrNo")], ["slider", t("numberWithASlider")],
] as const;

interface Props { element: InputElement; change: (label: string, part: object) => void }

/** What an input asks for, and the variable that keeps it. */
export function InputFields({ element, change }: Props): ReactNode {
  const variables = useCourse((state) => state.course.variables);
  const fitting = variables.filter((variable) => variable.type === typeFor(element.input));

  function keepIn(id: string): void {
    if (id !== "+") return change(t("variable"), { variable: id || null });
    const variable = newVariable(element, variables);
    changeCourse(t("newVariable"), { variables: [...variables, variable] });
    change(t("variable"), { variable: variable.id });
  }

  const numeric = element.input === "number" || element.input === "slider";
  return (
    <>
      <TextField label={t("label")} value={element.label} onChange={(label) => change(t("label"), { label })} />
      <Choose label={t("inputType")} value={element.input} options={KINDS} onChange={(input) => change(t("input"), { input })} />
      <Choose
        label={t("storedIn")} help={t("helpStoredIn")} value={fitting.some((v) => v.id === element.variable) ? element.variable ?? "" : ""}
        options={[["", t("noVariable")], ...fitting.map((v) => [v.id, v.name] as const), ["+", t("newVariable")]]}
        onChange={keepIn}
      />
      {element.input !== "slider" && (
        <Check label={t("requiredInput")} help={t("helpRequiredInput")} value={element.required} onChange={(required) => change(t("requiredInput"), { required })} />
      )}
      {element.input === "choice" && (
        <TextField
          label={t("optionsOnePerLine")} lines={4} value={element.options.join("\n")}
          onChange={(text) => change(t("options"), { options: text.split("\n").map((line) => line.slice(0, 250)).slice(0, 200) })}
        />
      )}
      {numeric && (
        <Pair>
          <NumberField label={t("from")} value={element.low} min={-1e9} max={1e9} onChange={(low) => change(t("bounds"), { low })} />
          <NumberField label={t("to")} value={element.high} min={-1e9} max={1e9} onChange={(high) => change(t("bounds"), { high })} />
          {element.input === "slider" && (
            <NumberField label={t("step")} value={element.step} min={0.001} max={1e9} onChange={(step) => change(t("bounds"), { step })} />
          )}
        </Pair>
      )}
    </>
  );
}

function typeFor(input: InputElement["input"]): Variable["type"] {
  if (input === "number" || input === "slider") return "number";
  return input === "checkbox" ? "yes_no" : "text";
}

function newVariable(element: InputElement, taken: readonly Variable[]): Variable {
  const common = { description: "", id: freshId(), name: freeName(element.name, taken.map((variable) => variable.name)) };
  switch (typeFor(element.input)) {
    case "number": return { ...common, type: "number", default: 0, min: -1e9, max: 1e9, decimals: 6 };
    case "yes_no": return { ...common, type: "yes_no", default: false };
    case "text": return { ...common, type: "text", default: "", from_lms: false };
  }
}
