import { Box } from "@chakra-ui/react";
import type { ReactNode, Ref } from "react";
import type { Value } from "../../player/engine/values";
import { t } from "../../words/rehearse";
import { useCourse } from "../store/store";
import { Coming } from "./Coming";

/** A run of the course: where the player is, the slide that it begins with, as which learner (null: any), and its number. */
export interface Run { url: string; from: string | null; seed: string | null; number: number }

/** The address of a rehearsal, which says where it begins and with which values of variables. */
function addressOf({ url, from, seed }: Run, starting: Readonly<Record<string, Value>>): string {
  const begin = new URLSearchParams({ ...(from ? { from } : {}), ...(seed ? { seed } : {}), set: JSON.stringify(starting) });
  return `${url}#${begin.toString()}`;
}

interface Props {
  ref: Ref<HTMLIFrameElement>;
  run: Run | null;
  /** The values that variables begin with. */
  starting: Readonly<Record<string, Value>>;
  /** Whether nothing has been heard of the player yet. */
  waits: boolean;
  /** The slide that is asked for; null for the first. */
  from: string | null;
}

/** The player with the course, and what it will show first until it runs. */
export function RehearsalFrame({ ref, run, starting, waits, from }: Props): ReactNode {
  const first = useCourse((state) => state.course.slides[0] ?? "");
  const slide = useCourse((state) => state.slides[(run ? run.from : from) ?? ""] ?? state.slides[first]);
  return (
    <Box flex="1" minH="0" bg="sheet" borderRadius="card" overflow="hidden" position="relative" boxShadow="0 1px 10px rgb(34 48 43 / 12%)">
      {run && (
        <iframe
          key={run.number} ref={ref} title={t("theCourse")} src={addressOf(run, starting)} sandbox="allow-scripts allow-same-origin"
          style={{ width: "100%", height: "100%", border: 0 }} onLoad={(event) => event.currentTarget.contentWindow?.focus()}
        />
      )}
      {waits && <Coming slide={slide} />}
    </Box>
  );
}
