import { area } from "./area";
import english from "./en/findings.json";

export const t = area("findings", english);

type Key = Parameters<typeof t>[0];

/** What several findings of one kind have in common, in words; undefined for a kind without such words. */
export function inCommon(code: string, count: number): string | undefined {
  const key = `of_${code}`;
  return Object.hasOwn(english, key) ? t(key as Key, { count }) : undefined;
}
