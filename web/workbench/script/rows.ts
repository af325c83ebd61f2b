/** The script of the course: all that is spoken, and what can be done with it. */
import { useQuery } from "@tanstack/react-query";
import { api, take } from "../../api/client";
import type { Job } from "../../api/jobs";
import type { components } from "../../api/api";
import type { AudioElement, Edited, MediaFile } from "../../api/types";
import { fetchAs } from "../../kit/download";
import { follow } from "../../kit/jobs/work";
import { sayDone } from "../../kit/toaster";
import { t } from "../../words/script";
import { editCourse } from "../store/edits";
import { knownFile, kindOf, sendFile } from "../store/media";
import { saveAll } from "../store/saver";
import { useCourse } from "../store/store";

export type ScriptRow = components["schemas"]["RowOut"];
type VoiceIn = components["schemas"]["VoiceIn"];
export type Form = "csv" | "xlsx";

/** So many recordings are listened to in one job. */
const AT_ONCE = 25;

const path = (): { path: { slug: string } } => ({ path: { slug: useCourse.getState().slug } });

/** The rows of the course as it was last saved; undefined until they have come. */
export function useScriptRows(): readonly ScriptRow[] | undefined {
  const slug = useCourse((state) => state.slug);
  const saved = useCourse((state) => state.versions);
  return useQuery({
    queryKey: ["spoken", slug, saved], staleTime: Infinity, placeholderData: (before: { rows: ScriptRow[] } | undefined) => before,
    queryFn: () => take(api.GET("/api/courses/{slug}/script", { params: { path: { slug } } })),
  }).data?.rows;
}

/** The key of the place of a narration in the script. */
export const placeOf = (slide: string, { id, overlay }: AudioElement): string => keyOf(slide, overlay ? "overlay" : "slide", overlay ?? "", id);

/** The key of a place: the twin of `ScriptPlace.key`. */
export const keyOf = (slide: string, part: ScriptRow["part"], within: string, thing: string): string => `${slide}/${part}/${within}/${thing}`;

/** Let other words be said at a place. */
export function sayWords(row: ScriptRow, words: string): Promise<Edited | null> {
  return sayAt(row.slide, row.key, words);
}

/** The same by the key of the place. */
export function sayAt(on: string, key: string, words: string): Promise<Edited | null> {
  return editCourse({
    label: t("changeWords"),
    ask: ({ course, slides }) => {
      const slide = slides[on];
      return slide ? take(api.POST("/api/edits/script/words", { body: { slide, key, words, height: course.size.h } })) : null;
    },
    then: () => ({}),
  });
}

/** Let files be the voices of places. Words that were changed meanwhile keep what they have. */
export function setVoices(voices: VoiceIn[]): Promise<Edited | null> {
  const wanted = new Set(voices.map(({ key }) => key.split("/")[0]));
  return editCourse({
    label: t("setVoice"),
    ask: ({ course, slides }) => take(api.POST("/api/edits/script/voices", {
      body: { course, slides: Object.values(slides).filter(({ id }) => wanted.has(id)), voices },
    })),
    then: () => ({}),
  });
}

/** Speak by machine: what needs it, or what is said at certain places. */
export async function speak(keys: string[] | null): Promise<void> {
  await saveAll();
  const count = await keepVoices(await follow(take(api.POST("/api/edits/script/speak/{slug}", { params: path(), body: { keys } }))));
  sayDone(t("spoken", { count }));
}

/** Send a sound for a line. */
async function sent(file: File): Promise<MediaFile> {
  const taken = await sendFile(file, () => {});
  if (kindOf(taken) !== "audio") throw new Error(t("noSound", { name: file.name }));
  return taken;
}

/** What is said at a place, and how a recording of it is called, without its ending. */
interface Recorded { key: string; words: string; file: string }

/** Let recordings be the voices of lines: when each word is heard in them is found out first. */
async function setRecordings(voices: VoiceIn[]): Promise<void> {
  await keepVoices(await follow(take(api.POST("/api/edits/script/hear/{slug}", { params: path(), body: { voices } }))));
}

/** Let what a job has made be the voices of its places; tells how many there are. */
async function keepVoices({ result }: Job): Promise<number> {
  const voices = result?.voices ?? [];
  if (voices.length) await setVoices(voices.map(({ key, words, media }) => ({ key, words, file: { ...media.file, id: knownFile(media).id } })));
  return voices.length;
}

/** Let one file be the voice of a line. */
export async function addRecording({ key, words }: Omit<Recorded, "file">, file: File): Promise<void> {
  await setRecordings([{ key, words, file: await sent(file) }]);
}

/** Files for many lines at once: each goes to the line whose file is called so. Tells how many went, and the names of the others. */
export async function addRecordings(lines: readonly Recorded[], files: readonly File[]): Promise<{ taken: number; left: string[] }> {
  const byName = new Map(lines.filter(({ words }) => words).map((line) => [line.file, line]));
  const fits: { line: Recorded; file: File }[] = [];
  const left: string[] = [];
  for (const file of files) {
    const line = byName.get(file.name.replace(/\.\w+$/, "").toLowerCase());
    if (line) fits.push({ line, file });
    else left.push(file.name);
  }
  const voices: VoiceIn[] = [];
  for (const { line, file } of fits) voices.push({ key: line.key, words: line.words, file: await sent(file) });
  for (let at = 0; at < voices.length; at += AT_ONCE) await setRecordings(voices.slice(at, at + AT_ONCE));
  return { taken: voices.length, left };
}

/** Take in the words of a table that was exported and changed. */
export async function importWords(file: File): Promise<void> {
  const text = await file.text();
  await saveAll();
  const answer = await editCourse({
    label: t("importWords"),
    ask: () => take(api.POST("/api/edits/script/sheet/{slug}", { params: path(), body: { text } })),
    then: () => ({}),
  });
  if (!answer) return;
  const slides = new Set(answer.change.operations.map(({ path: [, slide] }) => slide)).size;
  const left = answer.left_out ? ` ${t("linesLeft", { count: answer.left_out })}` : "";
  sayDone(`${slides ? t("wordsImported", { count: slides }) : t("nothingImported")}${left}`);
}

/** Save the table with the words and the names of the files to record. */
export async function exportTable(form: Form): Promise<void> {
  await saveAll();
  fetchAs(`/api/courses/${useCourse.getState().slug}/script.${form}`);
}

/** A time in words: 0:06. */
export function minutes(ms: number): string {
  const seconds = Math.round(ms / 1_000);
  return `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, "0")}`;
}

/** Where a line is spoken, beside its slide. */
export function partOf({ part, name }: ScriptRow): string {
  if (part === "overlay") return t("onOverlay", { name });
  if (part === "dialogue") return t("inDialogue", { name });
  if (part === "feedback") return FEEDBACK[name] ?? name;
  return t("onTheSlide");
}

const FEEDBACK: Readonly<Record<string, string>> = {
  right: t("feedback_right"), partly: t("feedback_partly"), wrong: t("feedback_wrong"), last: t("feedback_last"),
  time_up: t("feedback_time_up"), nothing: t("feedback_nothing"), answered: t("feedback_answered"),
};
