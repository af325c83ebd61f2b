import { area } from "./area";
import english from "./en/publish.json";

export const t = area("publish", english);
