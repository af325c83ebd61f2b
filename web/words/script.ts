import { area } from "./area";
import english from "./en/script.json";

export const t = area("script", english);
