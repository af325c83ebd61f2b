/** The player of a SCORM 2004 package. */
import { SCORM2004 } from "../tracking/scorm2004";
import { ScormTracker } from "../tracking/scormTracker";
import { start } from "../start";

start((index, whole) => new ScormTracker(index, SCORM2004, whole));
