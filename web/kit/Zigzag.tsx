import { type ReactNode } from "react";

/** The one ornament. */
export function Zigzag({ w = 120 }: { w?: number }): ReactNode {
  return (
    <svg width={w} height={w / 4} viewBox="0 0 120 30" fill="none" aria-hidden>
      <path
        d="M6 24 30 6l24 18L78 6l36 18" stroke="#c9bda6" strokeWidth="3"
        strokeLinecap="round" strokeLinejoin="round"
      />
      {[[6, 24], [30, 6], [54, 24], [78, 6]].map(([x, y]) => (
        <circle key={x} cx={x} cy={y} r="5" fill="#c9bda6" />
      ))}
      <circle cx="114" cy="24" r="5" fill="#e8a33d" />
    </svg>
  );
}
