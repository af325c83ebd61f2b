/** The manners of the practice LMS: each that can be chosen is there, and does what it says. */
import { expect, test, vi } from "vitest";
import { mannered, MANNERS } from "../lms/manner";
import { MANNERS as OFFERED, mannerOf } from "../practice/manners";

function lms(manner: string): { call: ReturnType<typeof mannered>; held: Map<string, string> } {
  const held = new Map<string, string>();
  const call = mannered(manner, (role, [element, value]) => {
    if (role === "set") held.set(String(element), String(value));
    if (role === "get") return held.get(String(element)) ?? "";
    return role === "lastError" ? "0" : "true";
  });
  return { call, held };
}

const LONG = "x".repeat(5_000);

test("what is offered is what there is", () => {
  expect(OFFERED.map(([name]) => name).sort()).toEqual(Object.keys(MANNERS).sort());
  expect(mannerOf("nonsense")[0]).toBe("strict");
});

test.each([["strict", "false", undefined], ["lenient", "true", 5_000], ["cutting", "true", 4_096], ["constructor", "false", undefined]])(
  "%s takes long progress its way", (manner, answer, length) => {
    const { call, held } = lms(manner);
    expect(call("set", ["cmi.suspend_data", LONG])).toBe(answer);
    expect(held.get("cmi.suspend_data")?.length).toBe(length);
  },
);

test("failing takes values and keeps nothing, with an error that tells", () => {
  const { call } = lms("failing");
  expect(call("set", ["cmi.core.exit", "suspend"])).toBe("true");
  expect(call("commit", [""])).toBe("false");
  expect(call("lastError", [])).toBe("101");
  expect(call("get", ["cmi.core.exit"])).toBe("suspend");
  expect(call("lastError", [])).toBe("0");
});

test("losing knows nobody after a minute", () => {
  const now = vi.spyOn(performance, "now").mockReturnValue(0);
  const { call } = lms("losing");
  expect(call("commit", [""])).toBe("true");
  now.mockReturnValue(60_001);
  expect([call("commit", [""]), call("lastError", []), call("get", ["cmi.core.exit"])]).toEqual(["false", "301", ""]);
  now.mockRestore();
});

test("booleans stand where words belong, and values stay words", () => {
  const { call } = lms("booleans");
  expect(call("initialize", [""])).toBe(true);
  expect(call("set", ["cmi.suspend_data", LONG])).toBe(false);
  call("set", ["cmi.core.lesson_location", "slidea"]);
  expect(call("get", ["cmi.core.lesson_location"])).toBe("slidea");
});
