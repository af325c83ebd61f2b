/** How the author looks at the slide: what stands around it, grid, guides, zoom. Kept in this browser, not in the course. */
import { create } from "zustand";
import { persist } from "zustand/middleware";

interface View {
  grid: boolean;
  rulers: boolean;
  snapping: boolean;
  /** 1 is as large as fits. */
  zoom: number;
  /** What stands around the slide. */
  strip: boolean;
  order: boolean;
  cards: boolean;
  keys: boolean;
  /** How wide the panels beside the slide are, in px. */
  left: number;
  right: number;
}

/** The bounds of the panels beside the slide, in px. */
export const PANEL: Readonly<Record<"left" | "right", readonly [number, number]>> = { left: [180, 420], right: [260, 460] };

export const useView = create<View>()(persist(
  (): View => ({
    grid: false, rulers: false, snapping: true, zoom: 1, strip: true, order: true, cards: true, keys: true, left: 232, right: 296,
  }),
  { name: "zigzag:view" },
));

type Switch = "grid" | "rulers" | "snapping" | "strip" | "order" | "cards" | "keys";

/** Turn something that helps in building on or off. */
export function toggleView(what: Switch): void {
  useView.setState((view) => ({ [what]: !view[what] }));
}

/** Give the slide all the room, or show again what stands around it. */
export function toggleRoom(): void {
  useView.setState(({ strip, order, cards, keys }) => {
    const shown = !(strip || order || cards || keys);
    return { strip: shown, order: shown, cards: shown, keys: shown };
  });
}

/** Set how wide a panel is, in px. */
export function setWidth(side: "left" | "right", width: number): void {
  useView.setState({ [side]: width });
}

const ZOOMS = [0.5, 0.75, 1, 1.5, 2, 3, 4];

/** Go one step of the zoom up or down. */
export function zoomBy(step: 1 | -1): void {
  const { zoom } = useView.getState();
  const next = step > 0 ? ZOOMS.find((z) => z > zoom) : ZOOMS.findLast((z) => z < zoom);
  if (next) useView.setState({ zoom: next });
}

/** Show the whole slide. */
export function zoomToFit(): void {
  useView.setState({ zoom: 1 });
}
