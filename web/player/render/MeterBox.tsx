import type { ReactNode } from "react";
import type { MeterElement, Style } from "../../api/types";
import { toNumber, toText } from "../engine/values";
import type { ValueWords } from "./RichTextView";
import { paint } from "./theme";
import { useSay } from "./speech";
import { Words } from "./Words";

interface Props { element: MeterElement; style: Style; values: ValueWords; live: boolean }

/** The value that says how much there is at most, for values that the course keeps. */
const MOST: Record<string, string> = {
  slides_seen: "slides", slide_number: "slides", points: "max_points", question_number: "question_count",
  quiz_points: "quiz_max_points", quiz_right: "quiz_judged", quiz_answered: "quiz_questions",
};
/** Values in per cent. */
const PER_CENT = new Set(["score", "quiz_score", "quiz_best"]);
/** What a still shows. */
const SAMPLE = 0.6;

/** How far something has come: a bar, a ring, or words. */
export function MeterBox({ element, style, values, live }: Props): ReactNode {
  const most = MOST[element.of];
  const high = !live ? element.high : most ? toNumber(values(most)) : PER_CENT.has(element.of) ? 100 : element.high;
  const low = most || PER_CENT.has(element.of) ? 0 : element.low;
  const value = live ? toNumber(values(element.of)) : low + (high - low) * SAMPLE;
  const share = high > low ? Math.min(Math.max((value - low) / (high - low), 0), 1) : 0;
  const role = {
    role: "meter", "aria-valuenow": value, "aria-valuemin": low, "aria-valuemax": high,
    "aria-label": element.alt || element.name,
  };
  const words = useSay()("value_of", { value: toText(value), high: toText(high) });
  if (element.meter === "text") {
    return <div {...role} aria-valuetext={words} className="zz-meter"><Words style={style}><span>{live ? words : `{{ ${element.of.replaceAll("_", " ")} }}`}</span></Words></div>;
  }
  if (element.meter === "bar") {
    return (
      <div {...role} className="zz-box zz-bar-meter">
        <div style={{ width: `${share * 100}%`, background: "var(--ink)", height: "100%" }} />
      </div>
    );
  }
  return <div {...role} className="zz-meter"><Ring element={element} style={style} share={share} /></div>;
}

function Ring({ element, style, share }: { element: MeterElement; style: Style; share: number }): ReactNode {
  const { w, h } = element;
  const width = style.border_width || 16;
  const radius = Math.max((Math.min(w, h) - width) / 2, 1);
  const round = 2 * Math.PI * radius;
  const common = { cx: w / 2, cy: h / 2, r: radius, fill: "none", strokeWidth: width };
  return (
    <svg width={w} height={h} aria-hidden style={{ display: "block", opacity: "var(--opacity)" }}>
      <circle {...common} stroke={style.fill ? paint(style.fill) : "var(--zz-soft)"} />
      <circle
        {...common} stroke="var(--ink)" strokeLinecap="round" strokeDasharray={`${round * share} ${round}`}
        transform={`rotate(-90 ${w / 2} ${h / 2})`} opacity={share ? 1 : 0}
      />
      <text
        x={w / 2} y={h / 2} textAnchor="middle" dominantBaseline="central" fill="var(--ink)"
        style={{ fontSize: style.size, fontWeight: style.bold ? 700 : 400, fontFamily: "var(--zz-text)" }}
      >
        {Math.round(share * 100)} %
      </text>
    </svg>
  );
}
