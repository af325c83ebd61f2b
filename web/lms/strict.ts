/** A strict LMS: it keeps what the standard asks an LMS to keep, and refuses what is longer. The library takes more. */
import type { Role, Standard } from "./standards";

/** A call of the run-time API: what its method is for, what is given, the answer. */
export type Call = (role: Role, given: readonly unknown[]) => string;

/** Return how a strict LMS answers, which answers by `call` to all that is short enough. */
export function strict(call: Call, { longest, errors }: Pick<Standard, "longest" | "errors">): Call {
  let refused = false;
  return (role, given) => {
    if (role === "lastError") return refused ? errors.type : call(role, given);
    if (role !== "errorString" && role !== "diagnostic") refused = role === "set" && isTooLong(given, longest);
    return refused ? "false" : call(role, given);
  };
}

function isTooLong([element, value]: readonly unknown[], longest: Standard["longest"]): boolean {
  const most = longest.find(([name]) => name.test(String(element)))?.[1];
  return most !== undefined && String(value).length > most;
}
