/** The lines of the route, below its stops: the path, the ways that leave it, and those of one slide. */
import { memo, type ReactNode } from "react";
import type { Way } from "../shell/useCheck";
import { curveOf, STOP, turnOf, type Layout, type Place } from "./layout";
import { besides, drawnAlways, type Drawn } from "./route";

const PATH = { fill: "none", stroke: "#c9bda6", strokeWidth: 3, "data-way": "onward" } as const;
const SIDEWAYS = { fill: "none", stroke: "#c9bda6", strokeWidth: 1.5, "data-way": "rule" } as const;
const BACK = { fill: "none", stroke: "#b4472f", strokeWidth: 1.5, strokeDasharray: "6 5", "data-way": "back" } as const;

interface Props { drawn: Drawn; layout: Layout }

/** Everything that is drawn whatever is looked at. */
export const Ways = memo(function Ways({ drawn, layout }: Props): ReactNode {
  return (
    <Sheet layout={layout}>
      {[...drawn.from].map(([slide, ways]) => {
        const aside = besides(ways, drawn.numbers);
        return (
          <g key={slide}>
            {ways.filter((way) => !aside.includes(way)).map((way) => <Path key={way.target} way={way} layout={layout} />)}
            {drawnAlways(aside, layout).map((way) => <Aside key={way.target} way={way} drawn={drawn} layout={layout} />)}
          </g>
        );
      })}
    </Sheet>
  );
});

/** The ways from and to one slide, on top of all others. */
export function WaysOf({ slide, drawn, layout }: Props & { slide: string }): ReactNode {
  const ways = [...drawn.from.get(slide) ?? [], ...drawn.to.get(slide) ?? []];
  return (
    <Sheet layout={layout} of={slide}>
      {besides(ways, drawn.numbers).map((way) => (
        <Aside key={`${way.source} ${way.target}`} way={way} drawn={drawn} layout={layout} strong />
      ))}
    </Sheet>
  );
}

/** A drawing as large as the route, which lets the pointer through. */
function Sheet({ layout, of, children }: { layout: Layout; of?: string; children: ReactNode }): ReactNode {
  return (
    <svg width={layout.width} height={layout.height} aria-hidden style={{ position: "absolute", inset: 0, pointerEvents: "none" }} data-ways-of={of}>
      {children}
    </svg>
  );
}

/** From a stop to the one after it: straight in a row, else round to the next row. */
function Path({ way, layout }: { way: Way; layout: Layout }): ReactNode {
  const [from, to] = [layout.places.get(way.source), layout.places.get(way.target)];
  if (!from || !to) return null;
  if (to.x > from.x && to.y - from.y < STOP.h + 20) return <path d={`M${from.x} ${from.y}L${to.x} ${to.y}`} {...PATH} />;
  return <path d={turnOf(from, to, layout.width)} {...PATH} strokeWidth={1.5} strokeDasharray="2 5" />;
}

function Aside({ way, drawn, layout, strong = false }: Props & { way: Way; strong?: boolean }): ReactNode {
  const [from, to]: (Place | undefined)[] = [layout.places.get(way.source), layout.places.get(way.target)];
  if (!from || !to) return null;
  const back = (drawn.numbers.get(way.target) ?? 0) < (drawn.numbers.get(way.source) ?? 0);
  return (
    <path
      d={curveOf(from, to)} {...(back ? BACK : SIDEWAYS)}
      {...(strong ? { strokeWidth: 2.5, stroke: back ? "#b4472f" : "#1e5b4b" } : {})}
    />
  );
}
