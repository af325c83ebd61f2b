/** What an author does with question banks from a quiz: keep questions, take some, and bring both up to date. */
import { api, take } from "../../../api/client";
import type { components } from "../../../api/api";
import type { Slide } from "../../../api/types";
import { sayDone } from "../../../kit/toaster";
import { t } from "../../../words/banks";
import { editCourse } from "../../store/edits";
import { apply, useCourse } from "../../store/store";

export type Bank = components["schemas"]["BankOut"];
export type BankQuestion = components["schemas"]["BankQuestionOut"];
type State = components["schemas"]["BankStateOut"];

/** As many slides as one request takes. */
const AT_ONCE = 200;
const { getState: get } = useCourse;

/** Keep slides with questions in a bank; here they are questions of it from then on. */
export async function keepInBank(bank: Bank, ids: readonly string[]): Promise<void> {
  const refs = await sent(bank.id, ids);
  sayDone(t("wereKept", { count: Object.keys(refs).length, name: bank.name }));
}

/** Give what was changed here to the banks that have it. */
export async function giveToBanks(ids: readonly string[]): Promise<void> {
  const banks = await take(api.GET("/api/banks"));
  // A question goes on in its own bank, whichever is named.
  if (banks[0]) await sent(banks[0].id, ids);
  sayDone(t("wereGiven"));
}

async function sent(bank: number, ids: readonly string[]): Promise<components["schemas"]["BankKeptOut"]["refs"]> {
  const refs: components["schemas"]["BankKeptOut"]["refs"] = {};
  for (const some of inParts(asking(ids))) {
    const made = await take(api.POST("/api/banks/{bank_id}/questions", { params: { path: { bank_id: bank } }, body: { course: get().course, slides: some } }));
    Object.assign(refs, made.refs);
  }
  const { slides } = get();
  const changed = Object.entries(refs).flatMap(([id, ref]): [string, Slide][] => {
    const slide = slides[id];
    return slide ? [[id, { ...slide, bank: ref }]] : [];
  });
  apply(t("keepInABank"), { slides: Object.fromEntries(changed) });
  return refs;
}

/** Put questions of banks into a set, by reference or as copies. */
export async function takeFromBank(section: string, into: string, questions: string[], reference: boolean): Promise<void> {
  await editCourse({
    label: t("fromABank"),
    ask: ({ course }) => take(api.POST("/api/edits/bank-questions", { body: { course, section, into, questions, reference } })),
    then: () => ({}),
  });
}

/** Bring slides to the versions that their banks have now. */
export async function bringUpToDate(ids: readonly string[]): Promise<void> {
  await editCourse({
    label: t("bringUpToDate"),
    ask: ({ course, slides }) => take(api.POST("/api/edits/bank-updates", { body: { course, slides: ids.flatMap((id) => slides[id] ?? []).slice(0, AT_ONCE) } })),
    then: () => ({}),
  });
}

/** How slides that are questions of banks stand to these. */
export async function statesOf(slides: readonly Slide[]): Promise<State[]> {
  const found = await Promise.all(inParts(slides).map((some) => take(api.POST("/api/edits/bank-states", { body: { course: get().course, slides: some } }))));
  return found.flat();
}

/** The slides among these that ask something. */
export function asking(ids: readonly string[]): Slide[] {
  const { slides } = get();
  return ids.flatMap((id) => slides[id] ?? []).filter(({ questions }) => questions.length);
}

function inParts(slides: readonly Slide[]): Slide[][] {
  return Array.from({ length: Math.ceil(slides.length / AT_ONCE) }, (_, n) => slides.slice(n * AT_ONCE, (n + 1) * AT_ONCE));
}
