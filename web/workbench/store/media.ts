/** Bringing files into the course, and showing them. */
import { api, take, upload } from "../../api/client";
import { cancel, ended, jobOf, type Job } from "../../api/jobs";
import { SMALL_PICTURE, SMALL_SHOWN } from "../../api/tables";
import type { Background, Element, MediaFile, PictureElement, Slide } from "../../api/types";
import { follow } from "../../kit/jobs/work";
import { addElement } from "./adding";
import { saveAll } from "./saver";
import { apply, changeCourse, currentSlide, knowMedia, select, useCourse } from "./store";
import { t } from "../../words/store";

const { getState: get } = useCourse;

export const PICTURES = "image/png,image/jpeg,image/webp,image/gif,image/svg+xml";
/** What browsers do not play is converted; some of it they do not even know by its type. */
export const PLAYING = "video/*,audio/*,.mkv,.avi,.flv,.wmv,.asf,.vob,.ts,.mts,.m2ts,.mov,.m4v,.caf,.amr,.wma,.au,.wv";

interface Taken { file: MediaFile; url: string; preview: string }

/** Send a file; it belongs to the course as soon as something shows it. */
export async function sendFile(
  file: File, onProgress: (share: number) => void, signal?: AbortSignal,
): Promise<MediaFile> {
  const sent = await upload<Taken | Job>(`/api/courses/${get().slug}/media`, file, onProgress, signal);
  return knownFile("file" in sent ? sent : await lookedInto(sent, signal));
}

/** Wait until the server has looked into a file; what is wrong with it is thrown. */
async function lookedInto(job: Job, signal?: AbortSignal): Promise<Taken> {
  let now = job;
  signal?.addEventListener("abort", () => void cancel(now).catch(() => {}));
  let { result } = await ended(job, () => {});
  if (result?.next) {
    // It takes its time: how far it is can be seen on every page.
    ({ result } = await follow(jobOf(result.next).then((next) => (now = next))));
  }
  if (!result?.media) throw new Error(t("theServerHasNotKept"));
  return result.media;
}

/** Let a video or audio have another size, wherever it is used; the server knows what was saved. */
export async function resize({ file, quality }: { file: MediaFile; quality: "small" | "good" | "original" }): Promise<MediaFile> {
  await saveAll();
  const path = { slug: get().slug, media_id: file.id };
  const asked = await take(api.POST("/api/courses/{slug}/media/{media_id}/convert", { params: { path }, body: { quality } }));
  const made = "file" in asked ? asked : (await follow(Promise.resolve(asked))).result?.media;
  if (!made) throw new Error(t("theServerHasNotKept"));
  const { type, sha256, size, w, h, duration, loudness, soundless } = made.file;
  knowMedia([{ ...made.file, id: file.id }], { [file.id]: made.url }, { [file.id]: made.preview });
  changeFile(t("sizeOfFile"), file.id, { type, sha256, size, w, h, duration, loudness, soundless });
  return made.file;
}

/** Change what the course says about one of its files. */
export function changeFile(label: string, id: string, part: Partial<MediaFile>): void {
  changeCourse(label, { media: get().course.media.map((other) => (other.id === id ? { ...other, ...part } : other)) });
}

/** Take a shipped drawing or a file of the library into the course. */
export async function takeFrom(from: { drawing: string } | { shared: number }): Promise<MediaFile> {
  const params = { path: { slug: get().slug } };
  return knownFile(await take(api.POST("/api/courses/{slug}/media/from", { params, body: from })));
}

/** The same bytes are the same file, even when they come again. */
export function knownFile({ file, url, preview }: Taken): MediaFile {
  const before = get().course.media.find((other) => other.sha256 === file.sha256);
  if (before) return before;
  knowMedia([file], { [file.id]: url }, { [file.id]: preview });
  return file;
}

/** Add files to the course, where it has not got them yet. */
export function keepFiles(files: readonly MediaFile[]): void {
  const media = [...get().course.media];
  for (const file of files) if (!media.some((other) => other.id === file.id)) media.push(file);
  if (media.length > get().course.media.length) changeCourse(t("addFiles"), { media });
}

/** Let the element show or play `file`; a picture takes the file's own proportions. */
export function showFile(element: string, file: MediaFile): void {
  const slide = currentSlide();
  if (!slide) return;
  applyWithMedia(t("chooseFile"), withFile(slide, element, file), file);
}

/** Add a file to the slide: into the empty place of its kind that a layout has for it, else as a new
 * element that is called as the file is. What came with it is in `together`, and it lies beside that. */
export async function addFile(file: MediaFile, at: [number, number] | null, together: Set<string> = new Set()): Promise<void> {
  keepFiles([file]);
  const kind = kindOf(file);
  const free = currentSlide()?.elements.find((element) => (
    element.slot && element.kind === kind && element.media === null && (!at || isWithin(element, at))
  ));
  if (free) {
    showFile(free.id, file);
    select([free.id]);
    return;
  }
  const finish = (slide: Slide, [id = ""]: string[]): Slide => {
    together.add(id);
    return withFile(slide, id, file, true);
  };
  await addElement(kind, at, { finish, name: nameOf(file), file, beside: together });
}

/** What a file is about, as far as its name says it: “Wet boots” for wet_boots.png. */
function nameOf({ name }: MediaFile): string {
  const words = name.replace(/\.\w{1,5}$/, "").replace(/[_-]+/g, " ").trim().slice(0, 60);
  return words.charAt(0).toUpperCase() + words.slice(1);
}

function isWithin({ x, y, w, h }: Element, [left, top]: [number, number]): boolean {
  return left >= x && left <= x + w && top >= y && top <= y + h;
}

/** Return what elements show a file: pictures, videos or sounds. */
export function kindOf({ type }: MediaFile): "picture" | "video" | "audio" {
  return type.startsWith("video/") ? "video" : type.startsWith("audio/") ? "audio" : "picture";
}

/** Give the slide that is shown a picture as its background. */
export function setBackgroundPicture(file: MediaFile, background: Background): void {
  const slide = currentSlide();
  if (!slide) return;
  applyWithMedia(t("backgroundPicture"), { ...slide, background: { ...background, picture: file.id } }, file);
}

function applyWithMedia(label: string, slide: Slide, file: MediaFile): void {
  const { course } = get();
  const has = course.media.some((other) => other.id === file.id);
  apply(label, {
    ...(has ? {} : { course: { ...course, media: [...course.media, file] } }),
    slides: { [slide.id]: slide },
  });
}

function withFile(slide: Slide, id: string, file: MediaFile, keepsWidth = false): Slide {
  return {
    ...slide, elements: slide.elements.map((element) => (element.id === id ? showing(element, file, keepsWidth) : element)),
  };
}

function showing(element: Element, file: MediaFile, keepsWidth: boolean): Element {
  const ratio = file.w && file.h ? file.h / file.w : 0.667;
  // What fills a slot of a layout keeps the slot's box.
  const box = element.slot ? {} : { h: Math.round(element.w * ratio) };
  switch (element.kind) {
    case "picture": {
      const small = file.w > 0 && file.w < SMALL_PICTURE ? { w: SMALL_SHOWN, h: Math.round(SMALL_SHOWN * ratio) } : box;
      return {
        ...element, alt: altOf(element, file), media: file.id, crop: { left: 0, top: 0, right: 0, bottom: 0 },
        ...(keepsWidth || element.media || element.slot ? box : small),
      };
    }
    // A cut of one file is not one of another.
    case "video": return { ...element, media: file.id, pieces: [], ...box };
    case "audio": return { ...element, media: file.id, pieces: [] };
    default: return element;
  }
}

/** What is said of a picture that now shows `file`: a drawing that ships with the program shows what its name says. */
function altOf({ alt, media }: PictureElement, file: MediaFile): string {
  const before = get().course.media.find((other) => other.id === media);
  const own = alt && !(before?.recoloured && alt === before.name);
  return own || !file.recoloured ? alt : file.name;
}

/** Put another file in the place of `id`, wherever it is used. */
export function replaceEverywhere(id: string, file: MediaFile): void {
  const { course } = get();
  changeCourse(t("replaceFile"), {
    media: course.media.map((other) => (other.id === id
      ? { ...file, id, name: other.name, tags: other.tags } : other)),
  });
}
