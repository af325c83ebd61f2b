import { useEffect } from "react";
import { save } from "../store/saver";
import { redo, undo } from "../store/store";

/** Undo, redo and save in Plan, wherever the focus is. */
export function usePlanKeys(): void {
  useEffect(() => {
    function onKeyDown(event: KeyboardEvent): void {
      if (!(event.ctrlKey || event.metaKey)) return;
      const typing = event.target instanceof Element && event.target.closest("input, textarea") !== null;
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
