/** The outline as lines: sections and slides in one list, as they are typed. */
import type { Course, Section } from "../../api/types";

export type Line = SectionLine | { kind: "slide"; id: string };

/** A section; what else it has goes along with it. */
interface SectionLine {
  readonly kind: "section";
  readonly id: string;
  readonly title: string;
  readonly has?: Omit<Section, "id" | "title" | "before">;
}

/** The lines of a course: each section stands before the slide that it begins with. */
export function linesOf({ slides, sections }: Pick<Course, "slides" | "sections">): Line[] {
  const known = new Set(slides);
  const starting = new Map<string | null, Section[]>();
  for (const section of sections) {
    const before = section.before && known.has(section.before) ? section.before : null;
    starting.set(before, [...(starting.get(before) ?? []), section]);
  }
  const at = (before: string | null): Line[] => (starting.get(before) ?? [])
    .map(({ id, title, before: _, ...has }) => ({ kind: "section", id, title, has }));
  return [...slides.flatMap((id): Line[] => [...at(id), { kind: "slide", id }]), ...at(null)];
}

/** The order of the slides, and where the sections begin, that lines come to. */
export function fromLines(lines: readonly Line[]): Pick<Course, "slides" | "sections"> {
  const slides: string[] = [];
  const sections: Section[] = [];
  let open: Section[] = [];
  for (const line of lines) {
    if (line.kind === "section") {
      const section: Section = { rules: [], silent: false, ...line.has, id: line.id, title: line.title, before: null };
      sections.push(section);
      open.push(section);
      continue;
    }
    slides.push(line.id);
    for (const section of open) section.before = line.id;
    open = [];
  }
  return { slides, sections };
}

/** The lines with those of `ids` moved, in their order, before the line `before` (null: the end). */
export function movedLines(lines: readonly Line[], ids: ReadonlySet<string>, before: string | null): Line[] {
  const moving = lines.filter((line) => ids.has(line.id));
  // A line that is moved itself cannot be the place: the next that stays is.
  const place = before === null ? null
    : lines.slice(lines.findIndex((line) => line.id === before)).find((line) => !ids.has(line.id))?.id ?? null;
  const rest = lines.filter((line) => !ids.has(line.id));
  const at = place === null ? rest.length : rest.findIndex((line) => line.id === place);
  return [...rest.slice(0, at), ...moving, ...rest.slice(at)];
}

/** The section that each slide is in; slides before the first section are in none. */
export function sectionOf(lines: readonly Line[]): Map<string, string> {
  const found = new Map<string, string>();
  let section: string | null = null;
  for (const line of lines) {
    if (line.kind === "section") section = line.id;
    else if (section) found.set(line.id, section);
  }
  return found;
}
