/** Findings by kind: those that are alike stand together. */
import type { Finding } from "../../api/types";

export interface Group { readonly code: string; readonly level: Finding["level"]; readonly findings: readonly Finding[] }

/** The findings in groups of one kind and level, errors first, in the order in which the kinds were found. */
export function grouped(findings: readonly Finding[]): Group[] {
  const groups = new Map<string, { code: string; level: Finding["level"]; findings: Finding[] }>();
  for (const finding of findings) {
    const { code, level } = finding;
    const group = groups.get(`${level} ${code}`);
    if (group) group.findings.push(finding);
    else groups.set(`${level} ${code}`, { code, level, findings: [finding] });
  }
  return [...groups.values()].sort((a, b) => Number(a.level !== "error") - Number(b.level !== "error"));
}
