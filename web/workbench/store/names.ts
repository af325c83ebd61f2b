/** Names that can be told apart: “Card 2” after “Card”. */
export function freeName(name: string, taken: readonly string[]): string {
  let free = name;
  for (let n = 2; taken.includes(free); n++) free = `${name} ${n}`;
  return free;
}
