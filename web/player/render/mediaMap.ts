/** The files that elements show, by id, as a program or the workbench addresses them. */
import type { ProgramMedia } from "../../api/types";

/** A file, and where there is one, a small picture of it. */
export type MediaEntry = ProgramMedia & { preview?: string };
export type MediaMap = Readonly<Record<string, MediaEntry>>;
