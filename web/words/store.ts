import { area } from "./area";
import english from "./en/store.json";

export const t = area("store", english);
