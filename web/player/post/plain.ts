/** The first `longest` characters of a text, without what is no character: receivers refuse that. */
export function plain(text: string, longest: number): string {
  return Array.from(text.slice(0, 2 * longest)).slice(0, longest).join("").replace(/\p{Surrogate}|\0/gu, "\ufffd");
}
