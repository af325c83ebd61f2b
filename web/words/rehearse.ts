import { area } from "./area";
import english from "./en/rehearse.json";

export const t = area("rehearse", english);
