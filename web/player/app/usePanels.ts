/** What is open over the slide. */
import { useState } from "react";

type PanelName = "menu" | "transcript" | "overview";

export interface OpenPanels {
  isOpen: (name: PanelName) => boolean;
  toggle: (name: PanelName) => void;
  /** Close one; the button that opened it has the focus again. */
  close: (name: PanelName) => void;
}

/** The panels, all closed at first. The menu and the overview stand at the same place: one closes the other. */
export function usePanels(): OpenPanels {
  const [list, setList] = useState<"menu" | "overview" | null>(null);
  const [transcript, setTranscript] = useState(false);
  return {
    isOpen: (name) => (name === "transcript" ? transcript : list === name),
    toggle: (name) => {
      if (name === "transcript") setTranscript(!transcript);
      else setList(list === name ? null : name);
    },
    close: (name) => {
      if (name === "transcript") setTranscript(false);
      else setList(null);
      document.querySelector<HTMLElement>(`[data-opens="${name}"]`)?.focus({ preventScroll: true });
    },
  };
}
