/** The player of a cmi5 package. */
import { Cmi5Tracker } from "../tracking/cmi5Tracker";
import { start } from "../start";

start((index, whole) => new Cmi5Tracker(index, whole));
