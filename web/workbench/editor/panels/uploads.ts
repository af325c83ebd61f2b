/** Many files at once: sent a few at a time, each with its progress, to be stopped or tried again. */
import { create } from "zustand";
import type { MediaFile } from "../../../api/types";
import { addFile, keepFiles, sendFile } from "../../store/media";
import { t } from "../../../words/editor";

const AT_ONCE = 3;
/** So many pictures that are dropped on a slide are put on it; more only go into the course. */
const MOST_PLACED = 5;

interface Upload {
  id: number;
  file: File;
  /** 0..1 while it goes out; what went wrong; or done. */
  state: { kind: "waiting" } | { kind: "sending"; share: number } | { kind: "done" }
    | { kind: "failed"; reason: string };
  at: [number, number] | null;
  place: boolean;
  /** The elements that were made of the files which came with it. */
  together: Set<string>;
}

interface Uploads { list: readonly Upload[] }

export const useUploads = create<Uploads>(() => ({ list: [] }));

const { getState: get, setState: set } = useUploads;
const stops = new Map<number, AbortController>();
let numbers = 0;
/** Files that have arrived since the course was last told of them: told together, as one change. */
let arrived: MediaFile[] = [];

/** Send files into the course; with `at`, a few of them are put on the slide there. */
export function sendAll(files: readonly File[], { at, place = true }: { at?: [number, number] | null; place?: boolean } = {}): void {
  const placed = place && files.length <= MOST_PLACED;
  const together = new Set<string>();
  const fresh = files.map((file): Upload => ({
    id: ++numbers, file, state: { kind: "waiting" }, at: at ?? null, place: placed, together,
  }));
  set({ list: [...get().list.filter((upload) => upload.state.kind !== "done"), ...fresh] });
  for (let n = 0; n < AT_ONCE; n++) void work();
}

async function work(): Promise<void> {
  const sending = get().list.filter((upload) => upload.state.kind === "sending").length;
  const next = get().list.find((upload) => upload.state.kind === "waiting");
  if (!next || sending >= AT_ONCE) {
    if (!sending) tellCourse();
    return;
  }
  const stop = new AbortController();
  stops.set(next.id, stop);
  update(next.id, { kind: "sending", share: 0 });
  try {
    const file = await sendFile(next.file, (share) => update(next.id, { kind: "sending", share }), stop.signal);
    if (next.place) {
      tellCourse();
      await addFile(file, next.at, next.together);
    } else arrived.push(file);
    update(next.id, { kind: "done" });
  } catch (error) {
    update(next.id, { kind: "failed", reason: error instanceof Error ? error.message : t("itCouldNotBeUploaded") });
  }
  stops.delete(next.id);
  if (arrived.length >= 20) tellCourse();
  void work();
}

function tellCourse(): void {
  if (!arrived.length) return;
  const files = arrived;
  arrived = [];
  keepFiles(files);
}

function update(id: number, state: Upload["state"]): void {
  set({ list: get().list.map((upload) => (upload.id === id ? { ...upload, state } : upload)) });
}

/** Stop all uploads, those on their way too. */
export function stopAll(): void {
  set({ list: get().list.filter((upload) => upload.state.kind !== "waiting") });
  for (const stop of stops.values()) stop.abort();
}

/** Upload a file again that failed. */
export function retry(id: number): void {
  update(id, { kind: "waiting" });
  void work();
}

/** Take uploads that have ended off the list. */
export function clearEnded(): void {
  set({ list: get().list.filter((upload) => upload.state.kind === "waiting" || upload.state.kind === "sending") });
}
