/** What stands for a value where nothing runs: its name, as a chip. */

let names: ReadonlyMap<string, string> = new Map();

/** Tell the names of the course's variables, and of the sets of its quizzes, by id. */
export function nameValues(known: readonly { id: string; name: string }[]): void {
  names = new Map(known.map(({ id, name }) => [id, name]));
}

/** A value as authors see it in a text. */
export const valueName = (of: string): string => `{{ ${names.get(of) ?? of.replace("tag:", "").replaceAll("_", " ")} }}`;
