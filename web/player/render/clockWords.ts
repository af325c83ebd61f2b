/** Whole seconds as a clock has them: `2:05`, from an hour on `1:02:05`. */
export function clockWords(seconds: number): string {
  const hours = seconds >= 3_600 ? `${Math.floor(seconds / 3_600)}:` : "";
  const minutes = String(Math.floor(seconds / 60) % 60).padStart(hours ? 2 : 1, "0");
  return `${hours}${minutes}:${String(seconds % 60).padStart(2, "0")}`;
}
