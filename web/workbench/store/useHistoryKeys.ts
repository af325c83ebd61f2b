import { useEffect } from "react";
import { save } from "./saver";
import { redo, undo } from "./store";

/** Undo, redo and save, wherever the focus is; where one types, undo is that of the typing. */
export function useHistoryKeys(): void {
  useEffect(() => {
    function onKeyDown(event: KeyboardEvent): void {
      if (!(event.ctrlKey || event.metaKey)) return;
      const typing = event.target instanceof Element && event.target.closest("input, textarea, [contenteditable=true]") !== null;
      const key = event.key.toLowerCase();
      if (key === "s") void save();
      else if (typing) return;
      else if (key === "z") (event.shiftKey ? redo : undo)();
      else if (key === "y") redo();
      else return;
      event.preventDefault();
    }
    window.addEventListener("keydown", onKeyDown);
    return () => window.removeEventListener("keydown", onKeyDown);
  }, []);
}
