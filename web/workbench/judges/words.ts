/** Rich text as lines to type into, and back. */
import type { RichText } from "../../api/types";
import { paragraphs, plain } from "../store/richText";

/** Rich text as plain lines. */
export const lines = (text: RichText): string => plain(text, "\n");
/** Plain lines as paragraphs of rich text. */
export const fromLines = (text: string): RichText => paragraphs(text);
