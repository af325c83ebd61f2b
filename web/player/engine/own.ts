/** Return what `record` has for `name`: what every object inherits, such as a constructor, is not its own. */
export function own<T>(record: Readonly<Record<string, T>>, name: string): T | undefined {
  return Object.hasOwn(record, name) ? record[name] : undefined;
}
