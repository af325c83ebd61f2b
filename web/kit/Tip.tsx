import { cloneElement, type ReactElement, type ReactNode } from "react";
import { tipped } from "./tips/tipped";

/** Words that come up over something that is pointed at or reached with the keyboard. */
export function Tip({ label, children }: { label: string; children: ReactElement }): ReactNode {
  return cloneElement(children, tipped(label));
}
