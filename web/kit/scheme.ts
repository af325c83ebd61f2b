/** Light or dark, remembered in this browser. */
const KEY = "zigzag:scheme";

export type Scheme = "light" | "dark";

/** Return whether the workbench is light or dark, as it was chosen in this browser. */
export function readScheme(): Scheme {
  try {
    const kept = localStorage.getItem(KEY);
    if (kept === "light" || kept === "dark") return kept;
  } catch {
    // Without storage the system's preference counts.
  }
  return window.matchMedia("(prefers-color-scheme: dark)").matches ? "dark" : "light";
}

/** Make the workbench light or dark, and remember it. */
export function applyScheme(scheme: Scheme): void {
  document.documentElement.classList.remove("light", "dark");
  document.documentElement.classList.add(scheme);
  document.documentElement.style.colorScheme = scheme;
  try {
    localStorage.setItem(KEY, scheme);
  } catch {
    // It then lasts as long as the page.
  }
}
