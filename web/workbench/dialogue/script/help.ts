/** What is offered while a script is typed: names of turns and people, moods, directions, settings. */
import type { Completion, CompletionContext, CompletionResult, CompletionSource } from "@codemirror/autocomplete";
import { t } from "../../../words/dialogue";

/** What a script can name. */
export interface Help {
  turns: readonly string[];
  speakers: readonly string[];
  /** By the name of a speaker, in small letters: the moods that there are pictures for, then those that were written. */
  moods: Readonly<Record<string, readonly string[]>>;
  backdrops: readonly string[];
  sounds: readonly string[];
  values: readonly string[];
}

/** Something wrong at a line (from 1), and what may be meant in place of `wrong`. */
export interface Wrong {
  line: number;
  words: string;
  wrong: string;
  meant: readonly string[];
  level: "error" | "warning";
}

type Options = readonly Completion[];

/** Return what offers the words that fit where one writes. */
export function offers(help: () => Help): CompletionSource {
  return (context) => {
    const line = context.state.doc.lineAt(context.pos);
    const found = fitting(line.text.slice(0, context.pos - line.from), help());
    if (!found) return null;
    const [typed, options] = found;
    return result(context, typed, options);
  };
}

function result(context: CompletionContext, typed: string, options: Options): CompletionResult | null {
  if (!typed && !context.explicit) return null;
  // Who has typed a whole name wants nothing more.
  if (options.some(({ label }) => label.toLowerCase() === typed.trim().toLowerCase()) && !context.explicit) return null;
  return { from: context.pos - typed.length, options: [...options], validFor: /^[^\n:()[\]>]*$/u };
}

type Fits = readonly [where: RegExp, options: (found: RegExpExecArray, help: Help) => Options];

const plain = (labels: readonly string[]): Options => labels.map((label) => ({ label }));

/** Where one writes, and what fits there; what was typed of it is the last group. */
const PLACES: readonly Fits[] = [
  [/(?:->|→)\s*([^[\]→]*)$/u, (_, { turns }) => turns.map((label) => ({ label, detail: t("turn") }))],
  [/^\s*#.*\[([^\]]*)$/u, () => plain(["ending", "ending good", "ending bad"])],
  [/^\s*[>›].*\[(?:[^\]]*,)?\s*([^\],]*)$/u, (_, { values }) => settingsOf(values)],
  [/^\s*[^#>›\s][^[\]]*\[([^\]]*)$/u, (_, { values }) => values.map(conditionOn)],
  [/^\s*(\p{L}[^:()[\]]*?)\s*\(([^()]*)$/u, ([, who = ""], { moods }) => (moods[who.toLowerCase()] ?? moods[""] ?? []).map((label) => ({ label, apply: `${label}): ` }))],
  [/^\s*backdrop:\s*(.*)$/iu, (_, { backdrops }) => plain(backdrops)],
  [/^\s*sound:\s*(.*)$/iu, (_, { sounds }) => plain(sounds)],
  [/^\s*((?:\p{L}[^:()[\]>#]{0,40})?)$/u, (_, help) => whoSpeaks(help)],
];

/** What was typed of a name, and the names that it may be. */
function fitting(before: string, help: Help): readonly [string, Options] | null {
  for (const [where, options] of PLACES) {
    const found = where.exec(before);
    if (found) return [found.at(-1) ?? "", options(found, help)];
  }
  return null;
}

function settingsOf(values: readonly string[]): Options {
  return [
    { label: "once", detail: t("saidOnce") }, { label: "points 1", detail: t("givesPoints") }, { label: "after 10 s", detail: t("takenAfter") },
    ...values.flatMap((name) => [{ label: `${name} +1`, detail: t("changesAValue") }, { label: `${name} -1` }, conditionOn(name)]),
  ];
}

const conditionOn = (name: string): Completion => ({ label: `if ${name} >= 1`, detail: t("onlyIf") });

function whoSpeaks({ speakers }: Help): Options {
  return [
    ...speakers.map((label) => ({ label, apply: `${label}: ` })),
    { label: "Advice", apply: "Advice: ", detail: t("nobodySaysIt") },
    ...["backdrop", "sound", "pause"].map((label) => ({ label, apply: `${label}: `, detail: t("direction") })),
  ];
}
