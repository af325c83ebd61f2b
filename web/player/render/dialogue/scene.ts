/** What is seen and was said in a dialogue, from what its run remembers. */
import type { Dialogue, ProgramDialogue, SaidEntry } from "../../../api/types";
import { LIMITS } from "../../../api/tables";

interface Standing {
  name: string;
  picture: string;
  /** The middle, in % of the stage. */
  at: number;
  /** The height, in % of the stage. */
  size: number;
  flipped: boolean;
  speaks: boolean;
}

type Person = Partial<ProgramDialogue["people"][number]>;

/** Who can stand on the stage, by number: as the program or the document has it. */
export interface Cast { people?: readonly Person[]; speakers?: readonly Person[] }

export interface Scene {
  backdrop: string | null;
  /** In the order in which they stand in front of each other: who speaks is the last. */
  people: Standing[];
}

/** All that was said and has happened, the oldest first; `said` has a character for each, the newest first. */
export function entriesOf(dialogue: ProgramDialogue, said: string): SaidEntry[] {
  return [...said].reverse().flatMap((one) => dialogue.entries[one.charCodeAt(0) - LIMITS.first_said] ?? []);
}

/** Whether no more than the first line was said. */
export function isBeginning(entries: readonly SaidEntry[]): boolean {
  const said = entries.filter(({ kind, later }) => (kind === "line" || kind === "advice") && !later);
  return said.length <= 1 && !entries.some(({ kind }) => kind === "reply");
}

/** Who stands where, after all these entries. People without a place of their own stand side by side. */
export function sceneOf(dialogue: Cast, entries: readonly SaidEntry[]): Scene {
  let backdrop: string | null = null;
  const pictures = new Map<number, string>();
  let speaker: number | null = null;
  for (const { kind, picture, person } of entries) {
    if (kind === "backdrop") backdrop = picture ?? null;
    if (kind === "line" || kind === "advice") speaker = person ?? null;
    if (kind === "line" && typeof person === "number" && picture) pictures.set(person, picture);
  }
  const there = [...pictures.keys()].sort((a, b) => a - b);
  const people = there.map((person, place) => standing(dialogue, person, pictures.get(person) ?? "", (100 * (place + 0.5)) / there.length, person === speaker));
  return { backdrop, people: people.sort((a, b) => Number(a.speaks) - Number(b.speaks)) };
}

function standing(dialogue: Cast, person: number, picture: string, beside: number, speaks: boolean): Standing {
  const who = (dialogue.people ?? dialogue.speakers)?.[person];
  return { name: who?.name ?? "", picture, speaks, at: who?.at ?? beside, size: who?.size ?? 85, flipped: who?.flipped ?? false };
}

/** The elements of the slide that are seen in dialogues. */
export function membersOf(dialogues: readonly ProgramDialogue[]): ReadonlySet<string> {
  return new Set(dialogues.flatMap(({ entries, buttons, again, back }) => (
    [...entries.map(({ element }) => element), ...buttons, again, back].flatMap((id) => id ?? []))));
}

/** The picture of a speaker (by number) in a mood; the first one stands for those that lack. */
export function pictureOf({ speakers }: Pick<Dialogue, "speakers">, speaker: number, mood: string): string | null {
  const moods = (speakers[speaker]?.moods ?? []).filter(({ picture }) => picture);
  return (moods.find((one) => one.mood.toLowerCase() === mood.toLowerCase()) ?? moods[0])?.picture ?? null;
}

/** What a direction with these words shows or plays. */
export function sceneryOf({ scenery }: Pick<Dialogue, "scenery">, kind: string, words: string): string | null {
  return scenery.find((one) => one.kind === kind && one.words.toLowerCase() === words.toLowerCase())?.media ?? null;
}
