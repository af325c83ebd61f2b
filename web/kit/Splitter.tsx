import { Box } from "@chakra-ui/react";
import { useRef, type KeyboardEvent, type PointerEvent, type ReactNode } from "react";

interface Props {
  label: string;
  /** How wide the panel beside it is, in px, and the bounds of that. */
  width: number;
  bounds: readonly [least: number, most: number];
  /** On which side of the splitter the panel is. */
  side: "left" | "right";
  onChange: (width: number) => void;
}

const STEP = 16;

/** The edge of a panel, to drag or to move with the arrow keys (ARIA, window splitter pattern). */
export function Splitter({ label, width, bounds, side, onChange }: Props): ReactNode {
  const [least, most] = bounds;
  const from = useRef<{ x: number; width: number } | null>(null);
  const sign = side === "left" ? 1 : -1;
  const put = (next: number): void => onChange(Math.round(Math.min(Math.max(next, least), most)));

  function onKeyDown(event: KeyboardEvent): void {
    const step = { ArrowLeft: -STEP, ArrowRight: STEP }[event.key];
    if (step === undefined) return;
    event.preventDefault();
    event.stopPropagation();
    put(width + sign * step);
  }

  return (
    <Box
      role="separator" tabIndex={0} aria-orientation="vertical" aria-label={label} title={label}
      aria-valuenow={width} aria-valuemin={least} aria-valuemax={most} data-own-keys
      w="9px" mx="-4px" flex="none" zIndex="docked" cursor="col-resize" touchAction="none" position="relative"
      _hover={{ _after: { bg: "marigold" } }} _focusVisible={{ outline: "none", _after: { bg: "marigold" } }}
      _after={{ content: '""', position: "absolute", insetY: 0, left: "4px", w: "2px" }}
      onKeyDown={onKeyDown}
      onPointerDown={(event: PointerEvent<HTMLElement>) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        from.current = { x: event.clientX, width };
      }}
      onPointerMove={(event) => { if (from.current) put(from.current.width + sign * (event.clientX - from.current.x)); }}
      onPointerUp={() => { from.current = null; }}
    />
  );
}
