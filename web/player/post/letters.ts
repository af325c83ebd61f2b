/** What is sent of a report: to the package's receiver, and to a web address of the author's. */
import { hmac } from "@noble/hashes/hmac.js";
import { sha256 } from "@noble/hashes/sha2.js";
import { bytesToHex, hexToBytes, utf8ToBytes } from "@noble/hashes/utils.js";
import type { ProgramPost } from "../../api/types";
import type { AnswerWords } from "./answers";

/** A report with all that may be sent of it. */
export interface FullReport {
  readonly id: string;
  readonly quiz: string;
  readonly attempt: number;
  readonly course: string;
  readonly title: string;
  readonly fields: readonly (readonly [name: string, text: string])[];
  readonly answers: readonly AnswerWords[];
}

/** Where a receiver is, and the key (hex) that it knows this package by. */
export type Receiver = readonly [address: string, key: string];

/** One thing to be sent, ready to go. */
export interface Letter {
  readonly id: string;
  readonly title: string;
  readonly address: string;
  readonly type: string;
  readonly body: string;
}

/** The letters of a report: none, one or two. */
export function lettersOf(report: FullReport, post: ProgramPost, receiver: Receiver | undefined): Letter[] {
  const common = { id: report.id, title: report.title };
  const letters: Letter[] = [];
  if (post.receiver && receiver) {
    // A plain text with all else in its address needs no leave from the receiver beforehand.
    const body = JSON.stringify(report);
    letters.push({ ...common, address: `${receiver[0]}?signature=${signed(body, receiver[1])}`, type: "text/plain", body });
  }
  if (post.web) letters.push({ ...common, address: post.web, ...FORMS[post.form](report) });
  return letters;
}

/** HMAC with SHA-256 (RFC 2104) of a text, in hex. */
function signed(text: string, key: string): string {
  return bytesToHex(hmac(sha256, hexToBytes(key), utf8ToBytes(text)));
}

const FORMS: Readonly<Record<ProgramPost["form"], (report: FullReport) => Pick<Letter, "type" | "body">>> = {
  json: ({ fields, ...rest }) => ({ type: "application/json", body: JSON.stringify({ ...rest, fields: Object.fromEntries(fields) }) }),
  form: ({ id, fields, answers }) => {
    const form = new URLSearchParams([["id", id], ...fields.map(([name, text]): [string, string] => [name, text])]);
    if (answers.length) form.append("answers", JSON.stringify(answers));
    return { type: "application/x-www-form-urlencoded", body: form.toString() };
  },
  csv: ({ fields }) => ({ type: "text/csv", body: `${fields.map(([, text]) => cell(text)).join(",")}\r\n` }),
};

/** A cell of CSV (RFC 4180). What a spreadsheet would take for a formula is made a plain text. */
function cell(text: string): string {
  const plain = /^[=+\-@\t\r]/.test(text) && !/^-?[0-9.]+$/.test(text) ? `'${text}` : text;
  return /[",\r\n]/.test(plain) ? `"${plain.replaceAll('"', '""')}"` : plain;
}
