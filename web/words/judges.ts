import { area } from "./area";
import english from "./en/judges.json";

export const t = area("judges", english);
