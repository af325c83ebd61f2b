/** Where the dialogues of a slide are: their boxes are opened, moved and resized. */
import { Box, chakra } from "@chakra-ui/react";
import { Move, Scaling } from "lucide-react";
import { useRef, useState, type KeyboardEvent, type PointerEvent, type ReactNode } from "react";
import type { Dialogue, Slide } from "../../api/types";
import { t } from "../../words/dialogue";
import { changeDialogue } from "./cast/casting";
import { showDialogue } from "./page";

/** The smallest box (px), and how far out of the slide it may be. */
const SMALLEST = 120;
const KEYS: Readonly<Record<string, readonly [number, number]>> = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] };

type By = readonly [number, number];

/** A box for each dialogue, on a slide that is drawn at `scale`. */
export function DialogueBoxes({ slide, scale }: { slide: Slide; scale: number }): ReactNode {
  return slide.dialogues.map((dialogue) => <DialogueBox key={dialogue.id} slide={slide.id} dialogue={dialogue} scale={scale} />);
}

function DialogueBox({ slide, dialogue, scale }: { slide: string; dialogue: Dialogue; scale: number }): ReactNode {
  const { id, name } = dialogue;
  const [pulled, setPulled] = useState<Partial<Dialogue>>({});
  const { x, y, w, h } = { ...dialogue, ...pulled };
  const put = (change: Partial<Dialogue>, label: string): void => changeDialogue({ slide, dialogue: id }, label, () => change, `${id} ${label}`);
  const moved = ([dx, dy]: By): Partial<Dialogue> => ({ x: Math.round(dialogue.x + dx), y: Math.round(dialogue.y + dy) });
  const resized = ([dx, dy]: By): Partial<Dialogue> => ({ w: Math.max(Math.round(dialogue.w + dx), SMALLEST), h: Math.max(Math.round(dialogue.h + dy), SMALLEST) });
  const handle = { scale, onPull: setPulled };
  return (
    <Box
      position="absolute" zIndex="1000001" pointerEvents="none" borderWidth="2px" borderStyle="dashed" borderColor="edge" borderRadius="8px" data-dialogue-box={id}
      style={{ left: x * scale, top: y * scale, width: w * scale, height: h * scale }}
    >
      <chakra.button
        type="button" pointerEvents="auto" position="absolute" top="-2px" left="-2px" maxW="70%" px="2.5" h="26px" bg="sheet" borderWidth="1px" borderRadius="8px 0 8px 0"
        fontWeight="700" fontSize="13px" textDecoration="underline" cursor="pointer" truncate onClick={() => showDialogue(slide, id)}
      >
        {t("openDialogue", { name })}
      </chakra.button>
      <Handle {...handle} label={t("moveDialogue", { name })} at={{ top: "-2px", right: "-2px", borderRadius: "0 8px 0 8px" }} cursor="move" change={moved} onPut={(change) => put(change, t("move"))}><Move size={14} /></Handle>
      <Handle {...handle} label={t("resizeDialogue", { name })} at={{ bottom: "-2px", right: "-2px", borderRadius: "8px 0 8px 0" }} cursor="nwse-resize" change={resized} onPut={(change) => put(change, t("resize"))}><Scaling size={14} /></Handle>
    </Box>
  );
}

interface HandleProps {
  label: string;
  at: Record<string, string>;
  cursor: string;
  scale: number;
  change: (by: By) => Partial<Dialogue>;
  onPull: (change: Partial<Dialogue>) => void;
  onPut: (change: Partial<Dialogue>) => void;
  children: ReactNode;
}

/** A corner that is pulled, or moved with the arrow keys; with Shift by ten px. */
function Handle({ label, at, cursor, scale, change, onPull, onPut, children }: HandleProps): ReactNode {
  const from = useRef<By | null>(null);
  const by = (event: PointerEvent): By => {
    const [x, y] = from.current ?? [event.clientX, event.clientY];
    return [(event.clientX - x) / scale, (event.clientY - y) / scale];
  };
  function onKeyDown(event: KeyboardEvent): void {
    const step = KEYS[event.key];
    if (!step) return;
    event.preventDefault();
    event.stopPropagation();
    const far = event.shiftKey ? 10 : 1;
    onPut(change([step[0] * far, step[1] * far]));
  }
  return (
    <chakra.button
      type="button" aria-label={label} title={label} position="absolute" pointerEvents="auto" {...at} cursor={cursor} w="28px" h="26px" display="grid" placeItems="center" bg="sheet" borderWidth="1px" touchAction="none"
      onKeyDown={onKeyDown}
      onPointerDown={(event) => { event.stopPropagation(); event.currentTarget.setPointerCapture(event.pointerId); from.current = [event.clientX, event.clientY]; }}
      onPointerMove={(event) => { if (from.current) onPull(change(by(event))); }}
      onPointerUp={(event) => { if (from.current) onPut(change(by(event))); from.current = null; onPull({}); }}
      onPointerCancel={() => { from.current = null; onPull({}); }}
    >
      {children}
    </chakra.button>
  );
}
