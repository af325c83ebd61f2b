/** Rich text as lines to type into, and back. */
import type { RichText } from "../../api/types";
import { paragraphs, plain } from "../store/richText";

export const lines = (text: RichText): string => plain(text, "\n");
export const fromLines = (text: string): RichText => paragraphs(text);
