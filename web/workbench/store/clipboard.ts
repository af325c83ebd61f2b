/** Copy, cut, paste, duplicate: within a slide, across slides, across courses and windows. */
import { api, take } from "../../api/client";
import type { Clipping, Slide } from "../../api/types";
import { sayDone } from "../../kit/toaster";
import { attempt, removeSelected } from "./commands";
import { edit, quiet } from "./edits";
import { useOverlay } from "../editor/stage/overlays";
import { currentSlide, useCourse } from "./store";
import { t } from "../../words/store";

const { getState: get } = useCourse;
const KEY = "zigzag:copied";
const OFFSET = 24;

interface Copied {
  clipping: Clipping;
  course: string;
  slide: string;
  /** The words put on the system's clipboard: while they are there, this is what was copied last. */
  words: string;
}

/** What was pasted last, and how far its predecessor stood from the source: for doing so again. */
let last: { slide: string; from: Clipping; ids: readonly string[]; before: [number, number] } | null = null;

function clipSelected(slide: Slide): Promise<Clipping> {
  const body = { slide, elements: [...get().selection.selected], course: get().course };
  return take(api.POST("/api/edits/clip", { body }));
}

/** A copy that is still being made: what is pasted meanwhile waits for it. */
let copying: Promise<void> | null = null;

/** Copy what is selected, for this and other courses. */
export function copySelected(): Promise<void> {
  const made = copyNow().finally(() => { if (copying === made) copying = null; });
  copying = made;
  return made;
}

function copyNow(): Promise<void> {
  return attempt(async () => {
    await quiet(get().selection.slide);
    const slide = currentSlide();
    if (!slide || !get().selection.selected.length) return;
    const clipping = await clipSelected(slide);
    const words = clipping.elements.map((element) => element.name).join("\n");
    const copied: Copied = { clipping, course: get().slug, slide: slide.id, words };
    localStorage.setItem(KEY, JSON.stringify(copied));
    last = null;
    // A browser may not let us; then the keys alone decide.
    await navigator.clipboard?.writeText(words).catch(() => {});
  });
}

/** Copy what is selected, and take it off the slide. */
export async function cutSelected(): Promise<void> {
  await copySelected();
  await removeSelected();
}

/** Paste what was just being copied; false where nothing is. */
export function pastesWhatIsBeingCopied(): boolean {
  const waiting = copying;
  if (!waiting) return false;
  void waiting.then(() => {
    const copied = copiedFor("");
    if (copied) void paste(copied);
  });
  return true;
}

/** What was copied in any window, if the words on the system's clipboard are still its own. */
export function copiedFor(words: string): Copied | null {
  try {
    const copied = JSON.parse(localStorage.getItem(KEY) ?? "null") as Copied | null;
    return copied && (!words || copied.words === words) ? copied : null;
  } catch {
    return null;
  }
}

/** Paste: on another slide at the same place, on the same one a step aside, or as far as last time. */
export function paste(copied: Copied): Promise<void> {
  return attempt(async () => {
    await quiet(get().selection.slide);
    const slide = currentSlide();
    if (!slide) return;
    const same = copied.slide === slide.id && copied.course === get().slug;
    const again = last?.slide === slide.id && last.from === cached(copied);
    if (!again) last = null;
    const here = movedSince(slide);
    const before = last?.before ?? [0, 0];
    // The next copy stands as far from the last one as that from the one before.
    const [dx, dy] = again ? [2 * here[0] - before[0], 2 * here[1] - before[1]] : same ? [OFFSET, OFFSET] : [0, 0];
    await pasteInto(cached(copied), dx, dy, t("paste"));
    if (again && last) last.before = here;
  });
}

let known: { text: string; clipping: Clipping } | null = null;

/** The same clipping is the same object, however often it is read. */
function cached({ clipping }: Copied): Clipping {
  const text = JSON.stringify(clipping);
  if (known?.text !== text) known = { text, clipping };
  return known.clipping;
}

/** Duplicate in place; what was duplicated and then moved is duplicated by the same move again. */
export function duplicateSelected(): Promise<void> {
  return attempt(async () => {
    await quiet(get().selection.slide);
    const slide = currentSlide();
    const { selected } = get().selection;
    if (!slide || !selected.length) return;
    const again = last?.slide === slide.id && last.ids.join() === selected.join();
    const clipping = await clipSelected(slide);
    const [dx, dy] = again ? movedSince(slide) : [OFFSET, OFFSET];
    await pasteInto(clipping, dx, dy, t("duplicate"));
  });
}

async function pasteInto(clipping: Clipping, dx: number, dy: number, label: string): Promise<void> {
  const slide = get().selection.slide;
  const { overlay: onto } = useOverlay.getState();
  const pasted = await edit({
    label,
    ask: (base) => take(api.POST("/api/edits/paste", {
      body: { slide: base.slide, clipping, course: base.course, dx, dy, onto },
    })),
  });
  const rules = clipping.rules?.length ?? 0;
  if (pasted && rules) sayDone(rules === 1 ? t("aRuleOfTheSlide") : t("rulesRulesOfTheSlide", { rules }));
  if (pasted && slide) last = { slide, from: clipping, ids: pasted.selected, before: [0, 0] };
}

/** How far the last copies are now from what they are copies of. */
function movedSince(slide: Slide): [number, number] {
  const copy = slide.elements.find((element) => element.id === last?.ids[0]);
  const source = last?.from.elements[0];
  if (!copy || !source) return [OFFSET, OFFSET];
  return [copy.x - source.x, copy.y - source.y];
}
