/** What stands at the left of the slide. */
import { create } from "zustand";

export type Panel = "order" | "variables" | "media" | "find" | "findings" | "earlier";

export const usePanel = create<{ panel: Panel }>(() => ({ panel: "order" }));

/** Show a panel on the left side. */
export function showPanel(panel: Panel): void {
  usePanel.setState({ panel });
}
