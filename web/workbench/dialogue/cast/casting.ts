/** Who plays in a dialogue: shipped people put on it, own pictures, places. */
import { useQuery } from "@tanstack/react-query";
import { api, take } from "../../../api/client";
import type { components } from "../../../api/api";
import type { Dialogue, MediaFile, Speaker } from "../../../api/types";
import { t } from "../../../words/dialogue";
import { keepFiles, takeFrom } from "../../store/media";
import { apply, useCourse } from "../../store/store";

export type Drawing = components["schemas"]["DrawingOut"];
export type Posture = "standing" | "seated";

export interface On { slide: string; dialogue: string }

/** A dialogue of the open course. */
export function useDialogue({ slide, dialogue }: On): Dialogue | undefined {
  return useCourse((state) => state.slides[slide]?.dialogues.find(({ id }) => id === dialogue));
}

/** The drawings that ship with the program. */
export function useDrawings(): readonly Drawing[] {
  return useQuery({ queryKey: ["drawings"], staleTime: Infinity, queryFn: () => take(api.GET("/api/drawings")) }).data ?? [];
}

/** Change a dialogue; changes with the same `merge` right after each other are undone at once. */
export function changeDialogue({ slide, dialogue }: On, label: string, change: (before: Dialogue) => Partial<Dialogue>, merge?: string): void {
  const on = useCourse.getState().slides[slide];
  if (!on) return;
  const dialogues = on.dialogues.map((one) => (one.id === dialogue ? { ...one, ...change(one) } : one));
  apply(label, { slides: { [slide]: { ...on, dialogues } } }, merge ? { merge } : {});
}

/** Change a speaker of a dialogue. */
export function changeSpeaker(on: On, speaker: string, change: (before: Speaker) => Partial<Speaker>, merge?: string): void {
  changeDialogue(on, t("cast"), ({ speakers }) => ({
    speakers: speakers.map((one) => (one.id === speaker ? { ...one, ...change(one) } : one)),
  }), merge);
}

/** Let somebody be played by a shipped person: in all moods that it is drawn in, the own pictures of others kept. */
export async function castAs(on: On, speaker: string, drawings: readonly Drawing[], who: string, posture: Posture): Promise<void> {
  const own = drawings.filter((one) => one.who === who && one.posture === posture);
  const files = await Promise.all(own.map(async ({ key, mood }) => ({ mood, file: await takeFrom({ drawing: key }) })));
  keepFiles(files.map(({ file }) => file));
  changeSpeaker(on, speaker, ({ moods }) => {
    const drawn = new Set(files.map(({ mood }) => mood.toLowerCase()));
    const kept = moods.filter(({ mood, picture }) => picture && !drawn.has(mood.toLowerCase()) && !isDrawing(picture));
    return { moods: [...files.map(({ mood, file }) => ({ mood, picture: file.id })), ...kept] };
  });
}

/** Whether a file of the course is a drawing that follows the theme. */
function isDrawing(file: string): boolean {
  return useCourse.getState().course.media.some(({ id, recoloured }) => id === file && recoloured);
}

/** Which shipped person plays somebody, and how: by the name of the first picture. */
export function playedBy({ moods }: Speaker, media: readonly MediaFile[], drawings: readonly Drawing[]): Drawing | undefined {
  const name = media.find(({ id }) => id === moods[0]?.picture)?.name;
  return name === undefined ? undefined : drawings.find((one) => one.who && one.name === name);
}

/** Let a mood be shown by a picture; null takes the picture away. */
export function setMood(on: On, speaker: string, mood: string, file: MediaFile | null): void {
  if (file) keepFiles([file]);
  changeSpeaker(on, speaker, ({ moods }) => {
    const rest = moods.filter((one) => one.mood.toLowerCase() !== mood.toLowerCase());
    return { moods: file ? [...rest, { mood, picture: file.id }] : rest };
  });
}

/** Let a direction with these words show or play a file; null: nothing. */
export function setScenery(on: On, kind: "backdrop" | "sound", words: string, file: MediaFile | null): void {
  if (file) keepFiles([file]);
  changeDialogue(on, t("scenery"), ({ scenery }) => {
    const rest = scenery.filter((one) => one.kind !== kind || one.words.toLowerCase() !== words.toLowerCase());
    return { scenery: file ? [...rest, { kind, words, media: file.id }] : rest };
  });
}

/** The shipped drawing whose name the words of a direction begin with, or hold. */
export function suggested(words: string, drawings: readonly Drawing[]): Drawing | undefined {
  const wanted = words.toLowerCase();
  return drawings.find(({ group, name }) => group === "backdrops" && wanted.includes(name.toLowerCase()));
}
