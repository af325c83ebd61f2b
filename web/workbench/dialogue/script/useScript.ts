/** The script of a dialogue as text: fetched once, kept in the course as it is written. */
import { useQuery } from "@tanstack/react-query";
import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import { api, take } from "../../../api/client";
import type { components } from "../../../api/api";
import { t } from "../../../words/dialogue";
import { editCourse } from "../../store/edits";
import { useCourse } from "../../store/store";

type Read = components["schemas"]["ScriptRead"];

const READ_MS = 200;
const KEPT_MS = 400;

export interface Script {
  /** What was last changed elsewhere, to be shown in the field; null until it has come. What is typed does not come here. */
  given: { text: string } | null;
  read: Read | undefined;
  problem: string;
  write: (text: string) => void;
}

/** The script of a dialogue, what it is understood as, and how it is changed. */
export function useScript(slide: string, dialogue: string): Script {
  const there = useCourse((state) => state.slides[slide]?.dialogues.find(({ id }) => id === dialogue));
  const [given, setGiven] = useState<Script["given"]>(null);
  /** What is to be understood: what is typed, once the hand rests. */
  const [resting, setResting] = useState<string | null>(null);
  const hand = useRef(0);
  /** The dialogue that the text stands for; another one was changed elsewhere. */
  const mine = useRef<typeof there>(undefined);
  const waiting = useRef<{ text: string; timer: number } | null>(null);

  /** How many answers are waited for: until they have come, what is in the course is older than the text. */
  const keeping = useRef(0);

  const keep = useCallback(async (next: string): Promise<void> => {
    keeping.current += 1;
    await editCourse({
      label: t("changed"),
      ask: ({ course, slides }) => {
        const on = slides[slide];
        const titles = Object.fromEntries(Object.values(slides).map(({ id, title }) => [id, title]));
        return on ? take(api.POST("/api/edits/dialogue", { body: { course, slide: on, titles, dialogue, text: next } })) : null;
      },
      then: () => ({}),
    });
    keeping.current -= 1;
    mine.current = dialogueOn(slide, dialogue);
  }, [slide, dialogue]);

  /** What is waited with is kept now. */
  const flush = useCallback((): void => {
    const now = waiting.current;
    if (!now) return;
    window.clearTimeout(now.timer);
    waiting.current = null;
    void keep(now.text);
  }, [keep]);

  const write = useCallback((next: string): void => {
    window.clearTimeout(hand.current);
    hand.current = window.setTimeout(() => setResting(next), READ_MS);
    if (waiting.current) window.clearTimeout(waiting.current.timer);
    waiting.current = { text: next, timer: window.setTimeout(flush, KEPT_MS) };
  }, [flush]);

  useEffect(() => flush, [flush]);
  useEffect(() => () => window.clearTimeout(hand.current), []);
  useEffect(() => {
    const ask = (event: BeforeUnloadEvent): void => {
      if (!waiting.current && !keeping.current) return;
      flush();
      event.preventDefault();
    };
    window.addEventListener("beforeunload", ask);
    return () => window.removeEventListener("beforeunload", ask);
  }, [flush]);
  useEffect(() => {
    if (!there || there === mine.current || waiting.current || keeping.current) return undefined;
    const { course, slides } = useCourse.getState();
    const on = slides[slide];
    if (!on) return undefined;
    let left = false;
    void take(api.POST("/api/edits/dialogue/script", { body: { course, slide: on, titles: {}, dialogue } })).then((answer) => {
      if (left || waiting.current || keeping.current) return;
      mine.current = there;
      setGiven(answer);
      setResting(answer.text);
    }).catch(() => undefined);
    return () => { left = true; };
  }, [there, slide, dialogue]);

  const variables = useCourse((state) => state.course.variables);
  const begins = useMemo(() => Object.fromEntries(variables.flatMap((one) => (one.type === "number" ? [[one.name, one.default] as const] : []))), [variables]);
  const { data, error } = useQuery({
    queryKey: ["script", resting, begins], enabled: resting !== null, staleTime: Infinity, placeholderData: (before: Read | undefined) => before, retry: false,
    queryFn: () => take(api.POST("/api/edits/dialogue/read", { body: { text: resting ?? "", begins } })),
  });
  return { given, read: data, problem: error ? error.message : "", write };
}

function dialogueOn(slide: string, dialogue: string): ReturnType<typeof useCourse.getState>["slides"][string]["dialogues"][number] | undefined {
  return useCourse.getState().slides[slide]?.dialogues.find(({ id }) => id === dialogue);
}
