/** The focus never falls to the page: where what had it goes or is switched off, the slide takes it. */
import { useEffect } from "react";

let last: HTMLElement | null = null;
let element: string | null = null;

/** Keep the focus in the player; asked again after each of its renderings, and when the focus is let go. */
export function useKeptFocus(): void {
  useEffect(() => {
    function taken({ target }: FocusEvent): void {
      last = target instanceof HTMLElement ? target : null;
      element = last?.closest("[data-element]")?.getAttribute("data-element") ?? null;
    }
    const lost = (): void => { requestAnimationFrame(keep); };
    document.addEventListener("focusin", taken);
    document.addEventListener("focusout", lost);
    return () => {
      document.removeEventListener("focusin", taken);
      document.removeEventListener("focusout", lost);
    };
  }, []);
  useEffect(() => {
    const frame = requestAnimationFrame(keep);
    return () => cancelAnimationFrame(frame);
  });
}

function keep(): void {
  const { activeElement } = document;
  // Who is busy elsewhere, around the course, is left there.
  if (!document.hasFocus() || !last || (activeElement && activeElement !== document.body) || canHaveFocus(last)) return;
  const same = element === null ? null : document.querySelector<HTMLElement>(`[data-element="${element}"]`);
  same?.focus({ preventScroll: true });
  if (document.activeElement === document.body) {
    document.querySelector<HTMLElement>("[data-slide]")?.focus({ preventScroll: true });
  }
}

/** Whether it is still there and can be operated: then the learner has let go of it. */
function canHaveFocus(one: HTMLElement): boolean {
  return one.isConnected && one.tabIndex >= 0 && !one.matches(":disabled") && one.getClientRects().length > 0;
}
