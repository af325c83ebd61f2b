/**
 * The page around a package in the practice LMS. It holds the run-time API (from a library), notes
 * every call with its answer, and sends what is committed to the server.
 */
import { LATE_MS, mannered } from "./manner";
import { Sender } from "./sender";
import { STANDARDS, type Role, type Standard } from "./standards";

interface LaunchData {
  start: { cmi: Record<string, unknown> };
  commitUrl: string;
  callsUrl: string;
  masteryOverride: boolean;
  standard: string;
  app: string;
  callsBefore: number;
  crashUrl: string;
}

interface Call {
  index: number;
  at: number;
  method: string;
  arguments: string[];
  result: string;
  error: string;
}

const SEND_AFTER_MS = 400;

function begin(data: LaunchData): void {
  const sender = new Sender();
  const standard = (STANDARDS[data.standard] ?? STANDARDS.scorm12) as Standard;
  const api = standard.make({
    lmsCommitUrl: data.commitUrl,
    mastery_override: data.masteryOverride,
    autocommit: false,
    sendFullCommit: true,
    logLevel: 5,
    httpService: sender,
  });
  api.loadFromJSON(data.start.cmi, "cmi");

  let calls: Call[] = [];
  let index = data.callsBefore;
  let timer: number | undefined;
  let finished = false;
  let crashed = false;
  const manner = window.location.hash.slice(1);
  // In a window of its own, the practice LMS has opened this page; no package is to reach it from here.
  const app = (window.opener as Window | null) ?? window.parent;
  window.opener = null;

  function send(): void {
    window.clearTimeout(timer);
    timer = undefined;
    if (!calls.length) return;
    const batch = calls;
    calls = [];
    const body = JSON.stringify(batch);
    // `keepalive` lets the last batch out while the page goes away; it takes 64 kB at most.
    fetch(data.callsUrl, { method: "POST", body, keepalive: body.length < 60_000 }).then(
      (response) => { if (response.ok) tellApp("calls"); },
      () => { calls = [...batch, ...calls]; },
    );
  }

  function note(method: string, given: unknown[], result: string, error: string): void {
    calls.push({
      index: index++, at: Date.now(), method, arguments: given.map(String), result, error,
    });
    // No timer outlives the page: the last words go out one by one.
    if (sender.isClosing()) send();
    else timer ??= window.setTimeout(send, SEND_AFTER_MS);
  }

  function tellApp(what: "calls" | "finished" | "crashed"): void {
    app.postMessage({ zigzag: "practice", what }, data.app);
  }

  const call = mannered(manner, (role, given) => {
    const own = (api as unknown as Record<string, (...parameters: unknown[]) => unknown>)[standard.methods[role]] as (...parameters: unknown[]) => unknown;
    return String(own.apply(api, [...given]));
  }, standard);
  const roles = Object.entries(standard.methods) as [Role, string][];
  const noted = Object.fromEntries(roles.map(([role, method]) => [method, (...given: unknown[]) => {
    // Whatever is said after a crash reaches nobody.
    if (crashed) return "false";
    const result = call(role, given);
    note(method, given, String(result), String(call("lastError", [])));
    if (role === "terminate" && String(result) === "true") {
      finished = true;
      send();
      tellApp("finished");
    }
    return result;
  }]));
  const offer = (): void => { (window as unknown as Record<string, unknown>)[standard.object] = noted; };
  if (manner === "late") window.setTimeout(offer, LATE_MS);
  else offer();
  hearCrash(app, data.app, () => {
    crashed = true;
    send();
    tellApp("crashed");
  });

  window.addEventListener("pagehide", () => {
    sender.closing = true;
    // A package that was closed without a goodbye: what it has set is kept all the same.
    if (!crashed && !finished && api.isInitialized()) call("commit", [""]);
    send();
  });
}

/** The practice LMS, at this origin, may ask for a crash; no other page. */
function hearCrash(app: Window, from: string, crash: () => void): void {
  window.addEventListener("message", ({ source, origin, data }: MessageEvent<{ zigzag?: string; what?: string } | null>) => {
    if (source === app && origin === from && data?.zigzag === "practice" && data.what === "crash") crash();
  });
}

/** A package of cmi5 needs no API: it speaks to the record store. What it says after a crash reaches nobody. */
function beginWithout({ app: origin, crashUrl }: LaunchData): void {
  const app = (window.opener as Window | null) ?? window.parent;
  window.opener = null;
  hearCrash(app, origin, () => {
    void fetch(crashUrl, { method: "POST" }).then(() => app.postMessage({ zigzag: "practice", what: "crashed" }, origin));
  });
}

const text = document.getElementById("launch")?.textContent;
if (text) {
  const data = JSON.parse(text) as LaunchData;
  (data.standard === "cmi5" ? beginWithout : begin)(data);
}
