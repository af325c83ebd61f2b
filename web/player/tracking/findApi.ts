/**
 * Finding the LMS's run-time API as SCORM 1.2 says: in the parents, from the nearest up, then in
 * the window that opened this one and its parents. Frames of other origins are passed over.
 */

export interface Api12 {
  LMSInitialize(parameter: ""): string;
  LMSFinish(parameter: ""): string;
  LMSGetValue(element: string): string;
  LMSSetValue(element: string, value: string): string;
  LMSCommit(parameter: ""): string;
  LMSGetLastError(): string;
}

const LEVELS = 500;

interface Frame { parent: Frame; opener?: Frame | null; API?: Api12 | null }

/** Return the run-time API of a SCORM 1.2 LMS, looked for in the windows above; null where there is none. */
export function findApi(from: Window = window): Api12 | null {
  const start = from as unknown as Frame;
  return upwards(start) ?? upwards(read(() => top(start).opener) ?? read(() => start.opener));
}

function upwards(start: Frame | null | undefined): Api12 | null {
  let frame = start;
  for (let level = 0; frame && level < LEVELS; level++) {
    const here: Frame = frame;
    const api = read(() => here.API);
    if (api && isApi(api)) return api;
    const parent: Frame | null | undefined = read(() => here.parent);
    if (!parent || parent === here) return null;
    frame = parent;
  }
  return null;
}

/** A frame that is named API is found under the same name, and is none. */
function isApi(found: Api12): boolean {
  return read(() => ["function", "object"].includes(typeof found.LMSInitialize)) ?? false;
}

function top(start: Frame): Frame {
  let frame = start;
  for (let level = 0; level < LEVELS; level++) {
    const here = frame;
    const parent = read(() => here.parent);
    if (!parent || parent === here) break;
    frame = parent;
  }
  return frame;
}

/** Return what `get` gives, null where another origin forbids to look. */
function read<T>(get: () => T): T | null {
  try {
    return get();
  } catch {
    return null;
  }
}
