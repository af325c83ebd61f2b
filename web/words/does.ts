import { area } from "./area";
import english from "./en/does.json";

export const t = area("does", english);
