/** Requests to a record store (ADL, xAPI 1.0.3, part 3), and the ids of statements. */

/** The store has answered that it will never take this. */
export class RefusedForGood extends Error {}
/** There is nothing at the address. */
export class NotThere extends Error {}

/** Worth trying again: not let in yet, too much at once, the store's own failure. */
const PASSING = new Set([401, 408, 429]);

export interface Store {
  endpoint: string;
  /** What stands behind `Basic`. */
  token: string;
}

/** Ask a record store; the answer as text. Rejects with `RefusedForGood`, `NotThere`, or an error that may pass. */
export async function ask(
  { endpoint, token }: Store, method: string, path: string, query: Readonly<Record<string, string>> = {}, body?: string, keepalive = false,
): Promise<string> {
  const search = new URLSearchParams(query).toString();
  const response = await fetch(`${endpoint.replace(/\/?$/, "/")}${path}${search ? `?${search}` : ""}`, {
    method, keepalive,
    headers: {
      Authorization: `Basic ${token}`, "X-Experience-API-Version": "1.0.3", ...(body === undefined ? {} : { "Content-Type": "application/json" }),
    },
    ...(body === undefined ? {} : { body }),
  });
  if (response.ok) return response.text();
  if (response.status === 404) throw new NotThere();
  if (response.status >= 400 && response.status < 500 && !PASSING.has(response.status)) throw new RefusedForGood(String(response.status));
  throw new Error(String(response.status));
}

/** A new id (RFC 9562, version 4), also where the page is not secure and the browser has no function for it. */
export function newId(): string {
  return formed(crypto.getRandomValues(new Uint32Array(4)));
}

/** The same id for the same text: what is said once in a registration is the same statement however often it is sent. */
export function idOf(text: string): string {
  return formed([0x811c9dc5, 0x01234567, 0x89abcdef, 0xdeadbeef].map((begin) => hashed(text, begin)));
}

/** FNV-1a, mixed at the end (Fowler, Noll, Vo; Murmur's finalizer). */
function hashed(text: string, begin: number): number {
  let hash = begin;
  for (const byte of new TextEncoder().encode(text)) hash = Math.imul(hash ^ byte, 0x01000193);
  hash = Math.imul(hash ^ (hash >>> 16), 0x85ebca6b);
  return (hash ^ (hash >>> 13)) >>> 0;
}

function formed(words: Iterable<number>): string {
  const hex = Array.from(words, (word) => word.toString(16).padStart(8, "0")).join("");
  const variant = ((Number.parseInt(hex.charAt(16), 16) & 3) | 8).toString(16);
  return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-4${hex.slice(13, 16)}-${variant}${hex.slice(17, 20)}-${hex.slice(20)}`;
}
