/** The whole route in a corner, with what is seen of it; a click or a drag goes there. */
import { Box } from "@chakra-ui/react";
import { useRef, type PointerEvent, type ReactNode } from "react";
import { t } from "../../words/plan";
import type { Layout } from "./layout";

interface Props {
  layout: Layout;
  current: string | null;
  /** What is seen, in px of the route. */
  top: number;
  seen: number;
  onGo: (top: number) => void;
}

const W = 200;
const MOST = 150;

/** The route in small, with the part of it that is seen. */
export function Overview({ layout, current, top, seen, onGo }: Props): ReactNode {
  const box = useRef<SVGSVGElement>(null);
  const height = Math.min(MOST, (layout.height / layout.width) * W);
  const go = (event: PointerEvent): void => {
    const frame = box.current?.getBoundingClientRect();
    if (frame) onGo(((event.clientY - frame.top) / frame.height) * layout.height - seen / 2);
  };
  const here = current ? layout.places.get(current) : undefined;
  return (
    <Box bg="sheet" borderWidth="1px" borderRadius="card" p="2" flex="none" data-overview aria-hidden title={t("theWholeRoute")}>
      <svg
        ref={box} width={W} height={height} viewBox={`0 0 ${layout.width} ${layout.height}`} preserveAspectRatio="none" style={{ display: "block", cursor: "pointer", touchAction: "none" }}
        onPointerDown={(event) => { event.currentTarget.setPointerCapture(event.pointerId); go(event); }}
        onPointerMove={(event) => { if (event.buttons) go(event); }}
      >
        <rect x={0} y={Math.max(top, 0)} width={layout.width} height={seen} fill="#fcecd6" rx={8} />
        {layout.rows.map((row) => (
          <polyline
            key={row[0]} fill="none" stroke="#b9ad95" strokeWidth={1.5} vectorEffect="non-scaling-stroke"
            points={row.map((id) => layout.places.get(id)).map((place) => `${place?.x ?? 0},${place?.y ?? 0}`).join(" ")}
          />
        ))}
        {here && <circle cx={here.x} cy={here.y} r={layout.width / 45} fill="#e8a33d" />}
      </svg>
    </Box>
  );
}
