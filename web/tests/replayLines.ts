/** For `make fuzz`: takes traces, one a line, and says of each where the engines differ (empty: nowhere). */
import { createInterface } from "node:readline";
import { isDeepStrictEqual } from "node:util";
import { replay, type Trace } from "./replay";

function difference(line: string): string {
  try {
    for (const [where, here, there] of replay(JSON.parse(line) as Trace)) {
      // By way of JSON, where no field is undefined and no zero has a sign.
      const plain: unknown = JSON.parse(JSON.stringify(here));
      if (!isDeepStrictEqual(plain, there)) return `${where}: TypeScript ${JSON.stringify(plain)}, Python ${JSON.stringify(there)}`;
    }
    return "";
  } catch (problem) {
    return problem instanceof Error ? (problem.stack ?? problem.message) : "an error without a name";
  }
}

createInterface({ input: process.stdin }).on("line", (line) => {
  process.stdout.write(`${JSON.stringify(difference(line))}\n`);
});
