/** The addresses of packages and runs. What is usual is not in them. */
import { useSearchParams } from "react-router";
import { mannerOf, type Manner } from "./manners";

/** How a package is run. */
export interface Running {
  manner: Manner;
  /** The number of the part that is launched. */
  sco: number;
  /** Whether it runs in a browser window of its own. */
  apart: boolean;
  /** What it is opened for: browsing and reviewing change nothing that is recorded. */
  mode: Mode;
}

export const MODES = ["normal", "browse", "review"] as const;
type Mode = (typeof MODES)[number];

function searchOf({ manner, sco, apart, mode }: Running): URLSearchParams {
  return new URLSearchParams({
    ...(manner === "strict" ? {} : { lms: manner }), ...(sco === 1 ? {} : { sco: String(sco) }), ...(apart ? { window: "own" } : {}), ...(mode === "normal" ? {} : { mode }),
  });
}

/** Return the address of a package, with how it is run. */
export function packageAddress(id: number, running: Running): string {
  return withSearch(`/practice/${id}`, running);
}

/** Return where a learner runs a package. */
export function runAddress(id: number, learner: string, running: Running): string {
  return withSearch(`/practice/${id}/run/${learner}`, running);
}

function withSearch(path: string, running: Running): string {
  const search = searchOf(running);
  return search.size ? `${path}?${search}` : path;
}

/** What the address of this page says of how a package is run, and how to change it. */
export function useRunning(): [running: Running, change: (part: Partial<Running>) => void] {
  const [search, setSearch] = useSearchParams();
  const sco = Number(search.get("sco") ?? 1);
  const running = {
    manner: mannerOf(search.get("lms"))[0], sco: Number.isInteger(sco) && sco > 0 ? sco : 1, apart: search.get("window") === "own",
    mode: MODES.find((mode) => mode === search.get("mode")) ?? "normal",
  };
  return [running, (part) => setSearch(searchOf({ ...running, ...part }), { replace: true })];
}
