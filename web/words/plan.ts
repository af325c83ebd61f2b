import { area } from "./area";
import english from "./en/plan.json";

export const t = area("plan", english);
