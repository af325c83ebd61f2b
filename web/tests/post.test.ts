/** What is sent of a report: signed as the receiver checks it, in each form, never larger than it takes. */
import { createHmac } from "node:crypto";
import { expect, test } from "vitest";
import type { Grader, ProgramPost } from "../api/types";
import { NO_ANSWER } from "../player/engine/state";
import { answersInWords } from "../player/post/answers";
import { lettersOf, type FullReport } from "../player/post/letters";
import { plain } from "../player/post/plain";

/** As many bytes as the receiver takes (`server/post/taking.py`). */
const LARGEST = 4_000_000;
const KEY = "0b".repeat(32);
const REPORT: FullReport = {
  id: "1-secquiz-1-0", quiz: "secquiz", attempt: 1, course: "Huts", title: "Keys",
  fields: [["Name", "Ines, “Tarrow”"], ["Sum", "=1+1"], ["Change", "-5"], ["Lines", "a\nb"], ["__proto__", "x"]], answers: [],
};
const POST: ProgramPost = { fields: [], answers: true, receiver: true, web: "https://huts.example/in", form: "json" };

function grader(number: number, words: string): Grader {
  return {
    id: `question${number}`, slide: "slidea", name: "Q", record: `q${number}`, kind: "open_answer", form: "free", prompt: words, parts: [], targets: [], purpose: "scored", points: 1,
  } as unknown as Grader;
}

test("the receiver's letter is signed by HMAC over its body, and needs no leave beforehand", () => {
  const [letter] = lettersOf(REPORT, POST, ["https://zigzag.example/post/abc", KEY]);
  const wanted = createHmac("sha256", Buffer.from(KEY, "hex")).update(letter?.body ?? "").digest("hex");
  expect(letter?.address).toBe(`https://zigzag.example/post/abc?signature=${wanted}`);
  expect(letter?.type).toBe("text/plain");
  expect(JSON.parse(letter?.body ?? "")).toEqual(REPORT);
});

test("without a key, or without a receiver, nothing goes there", () => {
  expect(lettersOf(REPORT, POST, undefined).map(({ address }) => address)).toEqual([POST.web]);
  expect(lettersOf(REPORT, { ...POST, receiver: false, web: "" }, ["https://zigzag.example", KEY])).toEqual([]);
});

test("a web address gets the fields as JSON, as a form, as a line of CSV that holds no formula", () => {
  const body = (form: ProgramPost["form"]): string => lettersOf(REPORT, { ...POST, receiver: false, form }, undefined)[0]?.body ?? "";
  const json = JSON.parse(body("json")) as { fields: Record<string, string> };
  expect(Object.entries(json.fields)).toEqual(REPORT.fields);
  expect([...new URLSearchParams(body("form"))]).toEqual([["id", REPORT.id], ...REPORT.fields]);
  expect(body("csv")).toBe(`"Ines, “Tarrow”",'=1+1,-5,"a\nb",x\r\n`);
});

test("the largest quiz with the longest answers stays within what the receiver takes", () => {
  const many = Array.from({ length: 5_000 }, (_, number) => grader(number, "漢".repeat(2_000)));
  const given = Object.fromEntries(many.map(({ id }) => [id, { ...NO_ANSWER, attempts: 1, given: [["part", "\u0001".repeat(9_000)]] as [string, string][] }]));
  const answers = answersInWords(many, given);
  const [letter] = lettersOf({ ...REPORT, answers }, POST, ["https://zigzag.example", KEY]);
  expect(answers).toHaveLength(5_000);
  expect(Buffer.byteLength(letter?.body ?? "")).toBeLessThan(LARGEST);
});

test("a text is cut between characters, and what is none is replaced", () => {
  expect(plain("🏔🏔🏔", 2)).toBe("🏔🏔");
  expect(plain("a\ud800b\0c", 10)).toBe("a\ufffdb\ufffdc");
});
