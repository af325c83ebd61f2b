/** Whether the script of the course stands in Plan, in place of outline and route. */
import { create } from "zustand";

export const useScriptPage = create<{ open: boolean }>(() => ({ open: false }));

/** Show the script, or outline and route again. */
export function showScript(open: boolean): void {
  useScriptPage.setState({ open });
}
