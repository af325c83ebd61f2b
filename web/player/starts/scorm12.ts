/** The player of a SCORM 1.2 package. */
import { SCORM12 } from "../tracking/scorm12";
import { ScormTracker } from "../tracking/scormTracker";
import { start } from "../start";

start((index, whole) => new ScormTracker(index, SCORM12, whole));
