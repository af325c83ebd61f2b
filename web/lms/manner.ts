/** In what manner this LMS answers: as the standard says, more lightly, or as bad LMSs do. */
import { STANDARDS, type Role, type Standard } from "./standards";
import { strict, type Call } from "./strict";

/** A call that may answer with what the standard does not know, as with yes or no in place of words. */
type LooseCall = (role: Role, given: readonly unknown[]) => unknown;

const CUT_AT = 4_096;
const SESSION_MS = 60_000;
/** Answers late: the API is there only after so long. */
export const LATE_MS = 3_000;

/** By its name, what a manner makes of the answers of a lenient API. */
export const MANNERS: Readonly<Record<string, (call: Call, standard: Standard) => LooseCall>> = {
  strict,
  lenient: (call) => call,
  late: strict,
  failing: (call, standard) => (
    refusing(strict(call, standard), (role) => role === "commit" || role === "terminate", standard.errors.general)
  ),
  cutting: (call) => (role, given) => (
    call(role, role === "set" && given[0] === "cmi.suspend_data" ? [given[0], String(given[1]).slice(0, CUT_AT)] : given)
  ),
  losing: (call, standard) => {
    const began = performance.now();
    return refusing(strict(call, standard), () => performance.now() - began > SESSION_MS, standard.errors.gone);
  },
  booleans: (call, standard) => {
    const answer = strict(call, standard);
    return (role, given) => {
      const result = answer(role, given);
      return result === "true" ? true : result === "false" ? false : result;
    };
  },
};

/** Return how an LMS of this name answers, one that is not known as a strict one. */
export function mannered(name: string, call: Call, standard = STANDARDS.scorm12 as Standard): LooseCall {
  return (Object.hasOwn(MANNERS, name) ? MANNERS[name] as typeof strict : strict)(call, standard);
}

/** The calls that `refuses` names come to nothing, with an error that stays until the next one. */
function refusing(call: Call, refuses: (role: Role) => boolean, error: string): LooseCall {
  let last = "";
  return (role, given) => {
    if (role === "lastError" && last) return last;
    if (role === "lastError" || role === "errorString" || role === "diagnostic") return call(role, given);
    last = refuses(role) ? error : "";
    return last ? (role === "get" ? "" : "false") : call(role, given);
  };
}
