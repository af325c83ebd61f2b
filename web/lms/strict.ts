/**
 * A strict LMS: it keeps what SCORM 1.2 asks an LMS to keep, and refuses what is longer. The library takes more.
 * Source: ADL, SCORM 1.2 Run-Time Environment (2001), 3.4.4 and the data types in 3.4.3 (CMIString255, CMIString4096).
 */

const LONGEST: readonly [RegExp, number][] = [
  [/^cmi\.suspend_data$/, 4_096],
  [/^cmi\.core\.lesson_location$/, 255],
  [/^cmi\.comments$/, 4_096],
  [/^cmi\.interactions\.\d+\.(student_response|correct_responses\.\d+\.pattern)$/, 255],
];
const INCORRECT_TYPE = "405";

/** A call of the run-time API: the name of its method, what is given, the answer. */
export type Call = (method: string, given: readonly unknown[]) => string;

/** Return how a strict LMS answers, which answers by `call` to all that is short enough. */
export function strict(call: Call): Call {
  let refused = false;
  return (method, given) => {
    if (method === "LMSGetLastError") return refused ? INCORRECT_TYPE : call(method, given);
    if (!/^LMSGet(ErrorString|Diagnostic)$/.test(method)) refused = method === "LMSSetValue" && isTooLong(given);
    return refused ? "false" : call(method, given);
  };
}

function isTooLong([element, value]: readonly unknown[]): boolean {
  const longest = LONGEST.find(([name]) => name.test(String(element)))?.[1];
  return longest !== undefined && String(value).length > longest;
}
