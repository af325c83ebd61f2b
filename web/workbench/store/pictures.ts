/** Bringing pictures into the course. */
import { upload } from "../../api/client";
import type { MediaFile, Slide } from "../../api/types";
import { addElement } from "./commands";
import { addMedia, apply, currentSlide, useCourse } from "./store";

const { getState: get } = useCourse;

export const ACCEPTED = "image/png,image/jpeg,image/webp,image/gif,image/svg+xml";

/** Send a picture; it belongs to the course as soon as something shows it. */
export async function sendPicture(
  file: File, onProgress: (share: number) => void, signal?: AbortSignal,
): Promise<MediaFile> {
  const answer = await upload<{ file: MediaFile; url: string }>(
    `/api/courses/${get().slug}/media`, file, onProgress, signal,
  );
  addMedia(answer.file, answer.url);
  return answer.file;
}

/** Let a picture element show `file`, at the picture's own proportions. */
export function showPicture(element: string, file: MediaFile): void {
  const slide = currentSlide();
  if (!slide) return;
  applyWithMedia("Choose picture", withPicture(slide, element, file), file);
}

/** Add a picture element that shows `file`. */
export function addPicture(file: MediaFile, at: [number, number] | null): Promise<void> {
  const { course } = get();
  apply("Add picture file", { course: { ...course, media: [...course.media, file] } });
  return addElement("picture", at, (slide, ids) => withPicture(slide, ids[0] ?? "", file));
}

export function setBackgroundPicture(file: MediaFile): void {
  const slide = currentSlide();
  if (!slide) return;
  const background = { ...slide.background, picture: file.id };
  applyWithMedia("Background picture", { ...slide, background }, file);
}

function applyWithMedia(label: string, slide: Slide, file: MediaFile): void {
  const { course } = get();
  apply(label, {
    course: { ...course, media: [...course.media, file] }, slides: { [slide.id]: slide },
  });
}

function withPicture(slide: Slide, id: string, file: MediaFile): Slide {
  const ratio = file.w && file.h ? file.h / file.w : 0.667;
  return {
    ...slide,
    elements: slide.elements.map((element) => (element.id === id && element.kind === "picture"
      ? { ...element, media: file.id, h: Math.round(element.w * ratio) } : element)),
  };
}

