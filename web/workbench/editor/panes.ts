/** From one part of Build to the next by keyboard, as F6 does everywhere. */

const PANES = ["[data-pane=strip]", "[data-pane=order]", "[data-pane=slide]", "[data-pane=cards]", "[data-pane=timing]"];
const STARTS = "[data-stage], [data-row][aria-pressed=true], [aria-current=page]";
const REACHED = "button:not([disabled]), input:not([type=hidden]), select, textarea, [tabindex='0']";

/** Move the focus to the next or previous pane of the page. */
export function goToPane(step: 1 | -1): void {
  const panes = PANES.flatMap((css) => document.querySelector<HTMLElement>(css) ?? []);
  const here = panes.findIndex((pane) => pane.contains(document.activeElement));
  // From nowhere F6 leads to the slide's neighbours, as if the slide had the focus.
  const from = here < 0 ? panes.findIndex((pane) => pane.dataset.pane === "slide") : here;
  const pane = panes[(from + step + panes.length) % panes.length];
  const start = pane?.querySelector<HTMLElement>(STARTS) ?? [...pane?.querySelectorAll<HTMLElement>(REACHED) ?? []].find((e) => e.offsetParent);
  start?.focus();
}
