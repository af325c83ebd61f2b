/**
 * The tips of the whole page. One layer listens for all controls: a control with a tip costs no more
 * than an attribute, however many there are.
 */
import { Box, Portal } from "@chakra-ui/react";
import { useCallback, useEffect, useRef, useState, type ReactNode } from "react";
import type { Side } from "./tipped";

/** So long (ms) one points at a control before its tip comes, and so long it stays after that. */
const OPEN_MS = 400;
const CLOSE_MS = 100;
const MARGIN = 8;

/** The nearest control with a tip around what an event happened to. */
function tippedAround(target: EventTarget | null): HTMLElement | null {
  return target instanceof Element ? target.closest<HTMLElement>("[data-tip]") : null;
}

/** Whether the focus shows a tip: that of a field always, that of a button when it was reached with the keyboard. */
function tipsOnFocus(control: HTMLElement, focused: EventTarget | null): boolean {
  return control.dataset.tipSide === "left" || (focused instanceof Element && focused.matches(":focus-visible"));
}

/** The control whose tip is shown, and what keeps it shown. */
function useTipped(): { control: HTMLElement | null; keep: () => void; leave: () => void } {
  const [control, setControl] = useState<HTMLElement | null>(null);
  const timer = useRef(0);
  const later = useCallback((next: HTMLElement | null, ms: number): void => {
    window.clearTimeout(timer.current);
    timer.current = window.setTimeout(() => setControl(next), ms);
  }, []);
  const now = useCallback((next: HTMLElement | null): void => {
    window.clearTimeout(timer.current);
    setControl(next);
  }, []);
  useEffect(() => {
    let pointedAt: HTMLElement | null = null;
    const listeners = {
      pointerover: (event: PointerEvent) => {
        const next = event.pointerType === "touch" ? null : tippedAround(event.target);
        if (next === pointedAt) return;
        pointedAt = next;
        later(next, next ? OPEN_MS : CLOSE_MS);
      },
      pointerdown: () => now(null),
      focusin: (event: FocusEvent) => {
        const next = tippedAround(event.target);
        if (next && tipsOnFocus(next, event.target)) now(next);
      },
      focusout: () => now(null),
      keydown: (event: KeyboardEvent) => { if (event.key === "Escape") now(null); },
      // A field that gets the focus is scrolled to: its tip goes along.
      scroll: () => { if (!tippedAround(document.activeElement)) now(null); },
    };
    const all = Object.entries(listeners) as [string, EventListener][];
    for (const [type, listener] of all) document.addEventListener(type, listener, { capture: true, passive: true });
    return () => {
      for (const [type, listener] of all) document.removeEventListener(type, listener, { capture: true });
    };
  }, [later, now]);
  const keep = useCallback(() => window.clearTimeout(timer.current), []);
  const leave = useCallback(() => later(null, CLOSE_MS), [later]);
  return { control, keep, leave };
}

/** Shows the tip of the control that is pointed at or has the focus. */
export function TipLayer(): ReactNode {
  const { control, keep, leave } = useTipped();
  const box = useRef<HTMLDivElement>(null);
  useEffect(() => {
    const tip = box.current;
    if (!control || !tip) return undefined;
    let stop: (() => void) | undefined;
    let gone = false;
    const side = control.dataset.tipSide as Side;
    void import("@floating-ui/dom").then(({ autoUpdate, computePosition, flip, offset, shift }) => {
      const place = (): void => {
        // What has gone from the page takes its tip along.
        if (!control.isConnected) return leave();
        const middleware = [offset(side === "left" ? 12 : 6), flip(), shift({ padding: MARGIN })];
        void computePosition(control, tip, { placement: side, strategy: "fixed", middleware }).then(({ x, y }) => {
          tip.style.transform = `translate(${Math.round(x)}px, ${Math.round(y)}px)`;
          tip.style.visibility = "visible";
        });
      };
      if (!gone) stop = autoUpdate(control, tip, place);
    }, () => undefined);
    return () => {
      gone = true;
      stop?.();
    };
  }, [control, leave]);
  const words = control?.dataset.tip;
  if (!words) return null;
  return (
    <Portal>
      <Box
        ref={box} role="tooltip" aria-hidden position="fixed" left="0" top="0" visibility="hidden" zIndex="tooltip" maxW="260px" bg="ink" color="paper"
        borderRadius="6px" fontSize="12.5px" lineHeight="1.35" fontWeight="500" px="2.5" py="1.5" boxShadow="0 2px 10px rgb(34 48 43 / 20%)" onPointerEnter={keep} onPointerLeave={leave}
      >
        {words}
      </Box>
    </Portal>
  );
}
