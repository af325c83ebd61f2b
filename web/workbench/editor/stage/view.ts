/** How the author looks at the slide: grid, guides, zoom. Kept in this browser, not in the course. */
import { create } from "zustand";
import { persist } from "zustand/middleware";

interface View {
  grid: boolean;
  rulers: boolean;
  snapping: boolean;
  /** 1 is as large as fits. */
  zoom: number;
}

export const useView = create<View>()(persist(
  (): View => ({ grid: false, rulers: false, snapping: true, zoom: 1 }), { name: "zigzag:view" },
));

/** Turn the grid, the rulers or snapping on or off. */
export function toggleView(what: "grid" | "rulers" | "snapping"): void {
  useView.setState((view) => ({ [what]: !view[what] }));
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
