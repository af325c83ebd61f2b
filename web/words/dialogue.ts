import { area } from "./area";
import english from "./en/dialogue.json";

export const t = area("dialogue", english);
