import { area } from "./area";
import english from "./en/banks.json";

export const t = area("banks", english);
