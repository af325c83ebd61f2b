/** The line of a rehearsal: what is typed is one moment, and what a walkthrough can be made of. */
import { expect, test } from "vitest";
import type { Event } from "../api/events";
import type { State } from "../player/engine/state";
import type { RehearsalMessage } from "../player/tracking/rehearsalTracker";
import { isWhole, withMoment, type Moment } from "../workbench/rehearse/moments";

const moment = (event: Event): Moment => ({ event, state: {} as State, effects: [], log: [], message: {} as RehearsalMessage });
const typed = (value: string, part = "boat"): Moment => moment({ event: "answered", question: "why", part, value });

test("letters typed into one field are one moment, other fields and clicks are others", () => {
  const line = [moment({ event: "start" }), typed("W"), typed("Wa"), typed("Wax"), typed("O", "oar"),
    moment({ event: "clicked", target: "send" }), typed("Waxed")].reduce(withMoment, [] as readonly Moment[]);
  expect(line.map(({ event }) => ("value" in event ? event.value : event.event))).toEqual(["start", "Wax", "O", "clicked", "Waxed"]);
});

test("a line whose beginning is gone makes no walkthrough", () => {
  expect(isWhole([moment({ event: "start" }), typed("W")])).toBe(true);
  expect([isWhole([]), isWhole([typed("W")])]).toEqual([false, false]);
});
