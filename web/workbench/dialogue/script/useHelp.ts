/** What is offered and what is underlined while a script is written. */
import { useMemo } from "react";
import type { components } from "../../../api/api";
import type { Dialogue } from "../../../api/types";
import { t } from "../../../words/dialogue";
import { useDrawings } from "../cast/casting";
import { useCourse } from "../../store/store";
import type { Help, Wrong } from "./help";

type Read = components["schemas"]["ScriptRead"];

const once = (names: readonly string[]): string[] => [...new Map(names.filter(Boolean).map((name) => [name.toLowerCase(), name])).values()];

/** All that the script and the course can name. */
export function useHelp(read: Read | undefined, dialogue: Dialogue | undefined): Help {
  const drawings = useDrawings();
  const variables = useCourse((state) => state.course.variables);
  return useMemo(() => {
    const lines = read?.lines ?? [];
    const said = lines.filter(({ kind }) => kind === "line");
    const shipped = once(drawings.map(({ mood }) => mood));
    const speakers = once([...(dialogue?.speakers ?? []).map(({ name }) => name), ...said.map(({ speaker }) => speaker)]);
    const moods: Record<string, readonly string[]> = { "": shipped };
    for (const name of speakers) {
      const own = dialogue?.speakers.find((one) => one.name.toLowerCase() === name.toLowerCase())?.moods.map(({ mood }) => mood) ?? [];
      const written = said.filter(({ speaker }) => speaker.toLowerCase() === name.toLowerCase()).map(({ mood }) => mood);
      moods[name.toLowerCase()] = once([...own, ...(own.length ? [] : shipped), ...written]);
    }
    return {
      turns: once((read?.turns ?? []).map(({ name }) => name)), speakers, moods,
      backdrops: once([...lines.filter(({ kind }) => kind === "backdrop").map(({ words }) => words), ...drawings.filter(({ group }) => group === "backdrops").map(({ name }) => name)]),
      sounds: once(lines.filter(({ kind }) => kind === "sound").map(({ words }) => words)),
      values: variables.filter(({ type }) => type === "number").map(({ name }) => name),
    };
  }, [read, dialogue, drawings, variables]);
}

/** What is wrong: what the text says that nobody understands, and moods that somebody has no picture for. */
export function useWrong(read: Read | undefined, dialogue: Dialogue | undefined): readonly Wrong[] {
  const speakers = dialogue?.speakers;
  return useMemo(() => {
    if (!read) return [];
    const mistakes = read.mistakes.map(({ line, words, meant }): Wrong => ({ line, words, meant, wrong: /“(.+?)”/.exec(words)?.[1] ?? "", level: "error" }));
    const moods = read.lines.flatMap(({ line, kind, speaker, mood }): Wrong[] => {
      if (kind !== "line" || !mood) return [];
      const own = speakers?.find(({ name }) => name.toLowerCase() === speaker.toLowerCase())?.moods ?? [];
      if (!own.length || own.some((one) => one.mood.toLowerCase() === mood.toLowerCase())) return [];
      return [{ line, wrong: mood, words: t("hasNoMood", { name: speaker, mood }), meant: own.map((one) => one.mood).slice(0, 4), level: "warning" }];
    });
    return [...mistakes, ...moods];
  }, [read, speakers]);
}
