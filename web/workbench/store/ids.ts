/** Identities for what is made here, of the same form as the core's. */
const LETTERS = "abcdefghijkmnpqrstuvwxyz";

export function freshId(): string {
  const random = crypto.getRandomValues(new Uint8Array(10));
  return [...random].map((byte) => LETTERS[byte % LETTERS.length]).join("");
}
