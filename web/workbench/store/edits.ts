/**
 * Edits that the core works out. Each takes its place among the edits at once; those of one slide are
 * asked for one after the other; the answer is a change, made where its edit stands.
 */
import type { Edited, Slide } from "../../api/types";
import { sayError } from "../../kit/toaster";
import { SETTINGS, type Document } from "./model";
import { baseOf, begin, giveUp, knowMedia, settle, useCourse, type Options } from "./store";
import { t } from "../../words/store";

/** An answer is waited for as long as this. */
export const LONGEST_MS = 30_000;

/** What an edit is made from: the course as it stands where the edit does. */
interface Base extends Document {
  /** The slide that was looked at. */
  at: string | null;
  selected: string[];
}

/** The same for an edit of one slide. */
export interface SlideBase extends Base {
  slide: Slide;
}

interface Request<B extends Base> {
  /** What the author did, in words. */
  label: string;
  /** Ask the core; null if there is nothing to do after all. */
  ask: (base: B) => Promise<Edited> | null;
  /** What else is changed with the answer, in the same step. */
  finish?: (document: Document, answer: Edited, base: B) => Document;
  /** What is selected, and which slide is shown, afterwards; by default what the answer says. */
  then?: (answer: Edited) => Options;
}

export interface SlideRequest extends Request<SlideBase> {
  /** The slide as it can be shown at once, until the answer comes. */
  expect?: (slide: Slide) => Slide;
}

export interface CourseRequest extends Request<Base> {
  /** The course as it can be shown at once, until the answer comes, and the slide that is shown then. */
  expect?: (document: Document) => Document;
  goTo?: string | null;
}

const queues = new Map<string, Promise<unknown>>();

useCourse.subscribe((state, before) => { if (state.opened !== before.opened) queues.clear(); });

/** Edit the slide that is looked at; resolves with the answer once it is in the course, or with null. */
export function edit(request: SlideRequest): Promise<Edited | null> {
  const { selection, slides } = useCourse.getState();
  const name = selection.slide;
  const slide = name === null ? undefined : slides[name];
  if (name === null || !slide) return Promise.resolve(null);
  const { label, expect } = request;
  const id = begin(label, expect && ((document) => withSlide(document, expect(slide))));
  return whole(id, name, request, (base) => {
    const now = base.slides[name];
    return now ? { ...base, slide: now } : null;
  });
}

/** The same for an edit of the course as a whole. */
export function editCourse(request: CourseRequest): Promise<Edited | null> {
  const { label, expect, goTo } = request;
  const id = begin(label, expect, goTo === undefined ? {} : { goTo, select: [] });
  return whole(id, SETTINGS, request, (base) => base);
}

/** Return `document` with `slide` in it. */
export function withSlide(document: Document, slide: Slide): Document {
  return { ...document, slides: { ...document.slides, [slide.id]: slide } };
}

const PARKED = Symbol(t("takenBackWhileItWaited"));

/** From the place in the queue to the answer, however often the edit is taken back in between. */
async function whole<B extends Base>(
  id: number, name: string, request: Request<B>, on: (base: Base) => B | null,
): Promise<Edited | null> {
  for (;;) {
    const answer = await inTurn(name, () => work(id, request, on));
    if (answer !== PARKED) return answer;
    await madeAgain(id);
  }
}

/** Do `work` when all that was begun on the slide is done. */
function inTurn<T>(name: string, work: () => Promise<T>): Promise<T> {
  const turn = (queues.get(name) ?? Promise.resolve()).then(work);
  const done = turn.catch(() => {}).finally(() => { if (queues.get(name) === done) queues.delete(name); });
  queues.set(name, done);
  return turn;
}

/** Resolves as soon as no edit of the slide, or of any, is being worked out. */
export async function quiet(name?: string | null): Promise<void> {
  while (name === undefined ? queues.size : queues.has(name ?? SETTINGS)) {
    await Promise.all(name === undefined ? [...queues.values()] : [queues.get(name ?? SETTINGS)]);
  }
}

async function work<B extends Base>(
  id: number, request: Request<B>, on: (base: Base) => B | null,
): Promise<Edited | null | typeof PARKED> {
  if (isTakenBack(id)) return PARKED;
  try {
    const found = baseOf(id);
    const base = found && on({ ...found.document, at: found.selection.slide, selected: [...found.selection.selected] });
    const asked = base && request.ask(base);
    if (!asked) {
      giveUp(id);
      return null;
    }
    const answer = await inTime(asked, request.label);
    takeOver(id, answer, request, base);
    return answer;
  } catch (error) {
    giveUp(id);
    sayError(error);
    return null;
  }
}

function isTakenBack(id: number): boolean {
  return useCourse.getState().future.some((entry) => entry.id === id);
}

/** Resolves when an edit that was taken back is made again, or cannot be any more. */
function madeAgain(id: number): Promise<void> {
  return new Promise((resolve) => {
    const stop = useCourse.subscribe(() => {
      if (isTakenBack(id)) return;
      stop();
      resolve();
    });
  });
}

function takeOver<B extends Base>(id: number, answer: Edited, request: Request<B>, base: B): void {
  const { finish, then } = request;
  settle(id, answer.change, then?.(answer) ?? { select: answer.selected },
    finish && ((made) => finish(made, answer, base)));
  if (Object.keys(answer.media).length) knowMedia(useCourse.getState().course.media, answer.media, answer.previews);
}

function inTime<T>(work: Promise<T>, label: string): Promise<T> {
  let timer: ReturnType<typeof setTimeout>;
  const late = new Promise<never>((_, reject) => {
    timer = setTimeout(() => reject(new Error(
      `The server has not answered for ${LONGEST_MS / 1000} seconds. “${label}” was not done; all else is kept.`,
    )), LONGEST_MS);
  });
  return Promise.race([work, late]).finally(() => clearTimeout(timer));
}
