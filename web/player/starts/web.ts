/** The player of a package without an LMS. */
import { LocalTracker } from "../tracking/local";
import { start } from "../start";

start((index, whole) => new LocalTracker(index, whole));
