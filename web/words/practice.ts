import { area } from "./area";
import english from "./en/practice.json";

export const t = area("practice", english);
