import { area } from "./area";
import english from "./en/looks.json";

export const t = area("looks", english);
