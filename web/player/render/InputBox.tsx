import { useEffect, useId, useRef, useState, type CSSProperties, type ReactNode } from "react";
import type { InputElement, Style } from "../../api/types";
import { toNumber, toText, toYesNo, type Value } from "../engine/values";
import { isMail } from "../engine/operators";
import { useSay } from "./speech";
import { textStyle } from "./style";

/** What the course has kept for an input, and where what is entered goes. */
export interface Entering {
  value: Value;
  enabled: boolean;
  enter: (value: Value) => void;
  /** How many letters it takes. */
  most?: number;
  /** Entered with every key, not only when one pauses. */
  at_once?: boolean;
}

interface Props { element: InputElement; style: Style; entering: Entering | undefined }

/** Somebody who pauses this long while typing has said something. */
const PAUSE_MS = 700;

const STILL: Entering = { value: "", enabled: true, enter: () => {} };

/** Something to fill in or set. In a still it shows itself empty. */
export function InputBox({ element, style, entering = STILL }: Props): ReactNode {
  const id = useId();
  const words = { ...textStyle(style), padding: 0 };
  const [left, setLeft] = useState(false);
  const wrong = useWrong(element, entering.value, left);
  const field = {
    id, disabled: !entering.enabled, tabIndex: entering === STILL ? -1 : undefined, onBlur: () => setLeft(true),
    ...(element.required ? { "aria-required": true } : {}),
    ...(wrong ? { "aria-invalid": true, "aria-describedby": `${id}-wrong` } : {}),
  };
  const said = wrong && <span id={`${id}-wrong`} className="zz-wrong" role="status">{wrong}</span>;
  if (element.input === "checkbox") {
    return (
      <span className="zz-field zz-check" style={words}>
        <input
          {...field} type="checkbox" checked={toYesNo(entering.value)}
          onChange={(event) => entering.enter(event.target.checked)}
        />
        <label htmlFor={id}>{labelOf(element)}</label>
        {said}
      </span>
    );
  }
  if (element.input === "scale") return <Scale element={element} style={words} entering={entering} />;
  return (
    <span className="zz-field" style={words}>
      <label htmlFor={id}>{labelOf(element)}</label>
      <Control element={element} style={style} entering={entering} field={field} />
      {said}
    </span>
  );
}

/** What an input is called; one that has to be filled in says so. */
function labelOf({ label, required }: InputElement): string {
  return required ? `${label} *` : label;
}

/** What is wrong with what stands in an input, once the learner has been in it. */
function useWrong({ input, required }: InputElement, value: Value, left: boolean): string | null {
  const say = useSay();
  const text = toText(value);
  if (input === "mail" && text && !isMail(text)) return say("no_mail");
  if (!required || !left) return null;
  return input === "checkbox" ? (toYesNo(value) ? null : say("fill_in")) : text.trim() ? null : say("fill_in");
}

/** Points from low to high, their ends named; a last one for having no opinion. */
function Scale({ element, style, entering }: { element: InputElement; style: CSSProperties; entering: Entering }): ReactNode {
  const name = useId();
  const [low, high, none] = element.options;
  const points = Array.from({ length: Math.max(element.high - element.low + 1, 0) }, (_, n) => String(element.low + n));
  const point = (value: string, label: string, shown: string): ReactNode => (
    <label key={value} className="zz-point">
      <input
        type="radio" name={name} value={value} checked={entering.value === value} disabled={!entering.enabled} aria-label={label}
        tabIndex={entering === STILL ? -1 : undefined} onChange={() => entering.enter(value)}
      />
      <span aria-hidden>{shown}</span>
    </label>
  );
  return (
    <div className="zz-scale-box">
      <fieldset className="zz-field zz-scale" style={style}>
        <legend>{labelOf(element)}</legend>
        <span className="zz-points">
          {low && <span className="zz-end">{low}</span>}
          {points.map((value, index) => point(value, [value, index === 0 ? low : index === points.length - 1 ? high : ""].filter(Boolean).join(", "), value))}
          {high && <span className="zz-end">{high}</span>}
          {none && point("0", none, none)}
        </span>
      </fieldset>
    </div>
  );
}

type FieldProps = { id: string; disabled: boolean; tabIndex: number | undefined; onBlur: () => void };

function Control(
  { element, style, entering, field }: Props & { entering: Entering; field: FieldProps },
): ReactNode {
  const inner = { padding: `0 ${style.padding}px` };
  switch (element.input) {
    case "choice":
      return (
        <select
          {...field} className="zz-box" style={inner} value={toText(entering.value)}
          onChange={(event) => entering.enter(event.target.value)}
        >
          <option value="">–</option>
          {element.options.map((option, index) => <option key={index} value={option}>{option}</option>)}
        </select>
      );
    case "date":
      return (
        <input
          {...field} className="zz-box" style={inner} type="date" min="0001-01-01" max="9999-12-31" value={toText(entering.value)}
          onChange={(event) => entering.enter(event.target.value)}
        />
      );
    case "slider":
      return (
        <span className="zz-slider">
          <input
            {...field} type="range" min={element.low} max={element.high} step={element.step}
            value={toNumber(entering.value)} onChange={(event) => entering.enter(Number(event.target.value))}
          />
          <output htmlFor={field.id}>{toText(toNumber(entering.value))}</output>
        </span>
      );
    default:
      return <Typed element={element} entering={entering} field={field} padding={inner} />;
  }
}

/** What browsers may fill in by themselves (WCAG 1.3.5). */
const PURPOSE: Partial<Record<InputElement["input"], string>> = { name: "name", mail: "email" };
const KEYBOARD: Partial<Record<InputElement["input"], "decimal" | "email">> = { number: "decimal", mail: "email" };

/** What is typed is entered when one pauses, leaves the field or presses Enter. */
function Typed(
  { element, entering, field, padding }: {
    element: InputElement; entering: Entering; field: FieldProps; padding: { padding: string };
  },
): ReactNode {
  const kept = element.input === "number" && entering.value === "" ? "" : toText(entering.value);
  const [draft, setDraft] = useState<string | null>(null);
  const { enter } = entering;
  // Where a clock runs this is drawn anew all the time: that is no reason to wait longer.
  const now = useRef(enter);
  now.current = enter;
  useEffect(() => {
    if (draft === null) return;
    const timer = window.setTimeout(() => now.current(draft), PAUSE_MS);
    return () => window.clearTimeout(timer);
  }, [draft]);
  const say = useSay();
  function finish(): void {
    field.onBlur();
    if (draft !== null) enter(draft);
    setDraft(null);
  }
  const most = entering.most ?? 250;
  const change = (text: string): void => {
    setDraft(text);
    if (entering.at_once) enter(text);
  };
  if (element.input === "long") {
    return (
      <>
        <textarea
          {...field} className="zz-box" style={{ ...padding, paddingTop: 8 }} value={draft ?? kept} maxLength={most}
          onChange={(event) => change(event.target.value)} onBlur={finish}
        />
        <span className="zz-count">{say("letters_of", { n: (draft ?? kept).length, count: most })}</span>
      </>
    );
  }
  return (
    <input
      {...field} className="zz-box" style={padding} value={draft ?? kept} autoComplete={PURPOSE[element.input] ?? "off"}
      inputMode={KEYBOARD[element.input] ?? "text"} maxLength={most}
      onChange={(event) => change(event.target.value)} onBlur={finish}
      onKeyDown={(event) => { if (event.key === "Enter") finish(); }}
    />
  );
}
