/**
 * Finding the LMS's run-time API as SCORM says, 1.2 and 2004 alike: in the parents, from the nearest up, then
 * in the window that opened this one and its parents. Frames of other origins are passed over.
 */
import type { ScormVersion } from "./scormVersion";

/** The run-time API, by the same names for each version. */
export interface RunTime {
  initialize(): string;
  terminate(): string;
  get(element: string): string;
  set(element: string, value: string): string;
  commit(): string;
  lastError(): string;
}

type Method = (...given: string[]) => unknown;
/** What an LMS offers: methods by name, whatever else there is. */
export type Offered = Readonly<Record<string, Method>>;

const LEVELS = 500;

interface Frame { parent: Frame; opener?: Frame | null }

/** Return the run-time API of an LMS for a version, looked for in the windows above; null where there is none. */
export function findApi(version: Pick<ScormVersion, "object" | "methods">, from: Window = window): Offered | null {
  const start = from as unknown as Frame;
  return upwards(start, version) ?? upwards(read(() => top(start).opener) ?? read(() => start.opener), version);
}

/** Return what an LMS offers, by the names that all versions have here. */
export function runTime(api: Offered, { initialize, terminate, get, set, commit, lastError }: ScormVersion["methods"]): RunTime {
  const call = (name: string, ...given: string[]): string => String((api[name] as Method)(...given));
  return {
    initialize: () => call(initialize, ""), terminate: () => call(terminate, ""), commit: () => call(commit, ""),
    get: (element) => call(get, element), set: (element, value) => call(set, element, value), lastError: () => call(lastError),
  };
}

function upwards(start: Frame | null | undefined, { object, methods }: Pick<ScormVersion, "object" | "methods">): Offered | null {
  let frame = start;
  for (let level = 0; frame && level < LEVELS; level++) {
    const here: Frame = frame;
    const api = read(() => (here as unknown as Record<string, Offered | undefined>)[object]);
    if (api && isApi(api, methods.initialize)) return api;
    const parent: Frame | null | undefined = read(() => here.parent);
    if (!parent || parent === here) return null;
    frame = parent;
  }
  return null;
}

/** A frame that is named as the API is found under the same name, and is none. */
function isApi(found: Offered, initialize: string): boolean {
  return read(() => ["function", "object"].includes(typeof found[initialize])) ?? false;
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
