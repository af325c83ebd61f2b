/** In what manner this LMS answers: as the standard says, more lightly, or as bad LMSs do. */
import { strict, type Call } from "./strict";

/** A call that may answer with what the standard does not know, as with yes or no in place of words. */
type LooseCall = (method: string, given: readonly unknown[]) => unknown;

const CUT_AT = 4_096;
const SESSION_MS = 60_000;
/** Answers late: the API is there only after so long. */
export const LATE_MS = 3_000;
const GENERAL = "101";
const NOT_INITIALISED = "301";

/** By its name, what a manner makes of the answers of a lenient API. */
export const MANNERS: Readonly<Record<string, (call: Call) => LooseCall>> = {
  strict,
  lenient: (call) => call,
  late: strict,
  failing: (call) => refusing(strict(call), (method) => method === "LMSCommit" || method === "LMSFinish", GENERAL),
  cutting: (call) => (method, given) => (
    call(method, method === "LMSSetValue" && given[0] === "cmi.suspend_data" ? [given[0], String(given[1]).slice(0, CUT_AT)] : given)
  ),
  losing: (call) => {
    const began = performance.now();
    return refusing(strict(call), () => performance.now() - began > SESSION_MS, NOT_INITIALISED);
  },
  booleans: (call) => {
    const answer = strict(call);
    return (method, given) => {
      const result = answer(method, given);
      return result === "true" ? true : result === "false" ? false : result;
    };
  },
};

/** Return how an LMS of this name answers, one that is not known as a strict one. */
export function mannered(name: string, call: Call): LooseCall {
  return (Object.hasOwn(MANNERS, name) ? MANNERS[name] as (call: Call) => LooseCall : strict)(call);
}

/** The calls that `refuses` names come to nothing, with an error that stays until the next one. */
function refusing(call: Call, refuses: (method: string) => boolean, error: string): LooseCall {
  let last = "";
  return (method, given) => {
    if (method === "LMSGetLastError" && last) return last;
    if (/^LMSGet(LastError|ErrorString|Diagnostic)$/.test(method)) return call(method, given);
    last = refuses(method) ? error : "";
    return last ? (method === "LMSGetValue" ? "" : "false") : call(method, given);
  };
}
