/** Something to fill in or set. In a still it shows itself empty. */
import { useEffect, useId, useState, type ReactNode } from "react";
import type { InputElement, Style } from "../../api/types";
import { toNumber, toText, toYesNo, type Value } from "../engine/values";
import { textStyle } from "./style";

/** What the course has kept for an input, and where what is entered goes. */
export interface Entering {
  value: Value;
  enabled: boolean;
  enter: (value: Value) => void;
}

interface Props { element: InputElement; style: Style; entering: Entering | undefined }

/** Somebody who pauses this long while typing has said something. */
const PAUSE_MS = 700;

const STILL: Entering = { value: "", enabled: true, enter: () => {} };

export function InputBox({ element, style, entering = STILL }: Props): ReactNode {
  const id = useId();
  const words = { ...textStyle(style), padding: 0 };
  const field = { id, disabled: !entering.enabled, tabIndex: entering === STILL ? -1 : undefined };
  if (element.input === "checkbox") {
    return (
      <span className="zz-field zz-check" style={words}>
        <input
          {...field} type="checkbox" checked={toYesNo(entering.value)}
          onChange={(event) => entering.enter(event.target.checked)}
        />
        <label htmlFor={id}>{element.label}</label>
      </span>
    );
  }
  return (
    <span className="zz-field" style={words}>
      <label htmlFor={id}>{element.label}</label>
      <Control element={element} style={style} entering={entering} field={field} />
    </span>
  );
}

type FieldProps = { id: string; disabled: boolean; tabIndex: number | undefined };

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
          {element.options.map((option, place) => <option key={place} value={option}>{option}</option>)}
        </select>
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

/** What is typed is entered when one pauses, leaves the field or presses Enter. */
function Typed(
  { element, entering, field, padding }: {
    element: InputElement; entering: Entering; field: FieldProps; padding: { padding: string };
  },
): ReactNode {
  const kept = element.input === "number" && entering.value === "" ? "" : toText(entering.value);
  const [draft, setDraft] = useState<string | null>(null);
  const { enter } = entering;
  useEffect(() => {
    if (draft === null) return;
    const timer = window.setTimeout(() => enter(draft), PAUSE_MS);
    return () => window.clearTimeout(timer);
  }, [draft, enter]);
  function finish(): void {
    if (draft !== null) enter(draft);
    setDraft(null);
  }
  return (
    <input
      {...field} className="zz-box" style={padding} value={draft ?? kept} autoComplete="off"
      inputMode={element.input === "number" ? "decimal" : "text"} maxLength={250}
      onChange={(event) => setDraft(event.target.value)} onBlur={finish}
      onKeyDown={(event) => { if (event.key === "Enter") finish(); }}
    />
  );
}
