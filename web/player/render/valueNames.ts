/** What stands for a value where nothing runs: its name, as a chip. */

let names: ReadonlyMap<string, string> = new Map();

/** Tell the names of the course's variables, by id. */
export function nameValues(variables: readonly { id: string; name: string }[]): void {
  names = new Map(variables.map(({ id, name }) => [id, name]));
}

/** A value as authors see it in a text. */
export const valueName = (of: string): string => `{{ ${names.get(of) ?? of.replaceAll("_", " ")} }}`;
