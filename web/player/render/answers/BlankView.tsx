import { createContext, useContext, type ReactNode } from "react";

/** Draws the blanks of a text that answers a running question; there is none in stills. */
export const DrawBlank = createContext<((blank: string) => ReactNode) | null>(null);

/** A blank where it stands in the text; outside of a running question a gap. */
export function BlankView({ blank }: { blank: string }): ReactNode {
  const draw = useContext(DrawBlank);
  return draw?.(blank) ?? <span className="zz-gap" />;
}
