import { useId, type ReactElement, type ReactNode } from "react";
import { tipped } from "./tips/tipped";

/** A field with a sentence that says what it does: shown while it is pointed at or has the focus, and read out. */
export function Explained({ help, children }: { help?: string | undefined; children: ReactElement }): ReactNode {
  const id = useId();
  if (!help) return children;
  return (
    <div role="group" aria-describedby={id} {...tipped(help, "left")}>
      {children}
      <span id={id} hidden>{help}</span>
    </div>
  );
}
