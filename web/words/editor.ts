import { area } from "./area";
import english from "./en/editor.json";

export const t = area("editor", english);
