/** The run-time APIs of SCORM, as the library has them: under which name a package finds each, and what its methods are. */
import * as library12 from "scorm-again/scorm12";
import * as library2004 from "scorm-again/scorm2004";

// The modules export the classes by name; their type declarations say "default".
const { Scorm12API } = library12 as unknown as { Scorm12API: typeof library12.default };
const { Scorm2004API } = library2004 as unknown as { Scorm2004API: typeof library2004.default };

/** What a method is for. */
export type Role = "initialize" | "terminate" | "get" | "set" | "commit" | "lastError" | "errorString" | "diagnostic";

interface Api {
  loadFromJSON(data: Record<string, unknown>, element: string): void;
  isInitialized(): boolean;
}

export interface Standard {
  /** What a package looks for in the windows above. */
  object: string;
  methods: Readonly<Record<Role, string>>;
  make(settings: object): Api;
  /** The errors of a call that fails, of one that comes when nobody is there any more, and of a value of a wrong type. */
  errors: { general: string; gone: string; type: string };
  /** What is longer is refused by a strict LMS, as far as the library takes it. */
  longest: readonly (readonly [RegExp, number])[];
}

const SCORM2004: Standard = {
  object: "API_1484_11",
  methods: {
    initialize: "Initialize", terminate: "Terminate", get: "GetValue", set: "SetValue", commit: "Commit",
    lastError: "GetLastError", errorString: "GetErrorString", diagnostic: "GetDiagnostic",
  },
  make: (settings) => new Scorm2004API(settings) as unknown as Api,
  errors: { general: "391", gone: "132", type: "406" },
  longest: [],
};

/** By its name in `packaging/read_manifest.py`. */
export const STANDARDS: Readonly<Record<string, Standard>> = {
  // Source: ADL, SCORM 1.2 Run-Time Environment (2001), 3.4.4 and the data types in 3.4.3 (CMIString255, CMIString4096).
  scorm12: {
    object: "API",
    methods: {
      initialize: "LMSInitialize", terminate: "LMSFinish", get: "LMSGetValue", set: "LMSSetValue", commit: "LMSCommit",
      lastError: "LMSGetLastError", errorString: "LMSGetErrorString", diagnostic: "LMSGetDiagnostic",
    },
    make: (settings) => new Scorm12API(settings) as unknown as Api,
    errors: { general: "101", gone: "301", type: "405" },
    longest: [
      [/^cmi\.suspend_data$/, 4_096],
      [/^cmi\.core\.lesson_location$/, 255],
      [/^cmi\.comments$/, 4_096],
      [/^cmi\.interactions\.\d+\.(student_response|correct_responses\.\d+\.pattern)$/, 255],
    ],
  },
  scorm2004: SCORM2004,
  // Source: ADL, SCORM 2004 3rd Edition Run-Time Environment (2006), 4.2.22: the smallest permitted maximum.
  scorm2004_3: { ...SCORM2004, longest: [[/^cmi\.suspend_data$/, 4_000]] },
};
