import { area } from "./area";
import english from "./en/timing.json";

export const t = area("timing", english);
