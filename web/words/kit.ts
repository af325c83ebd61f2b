import { area } from "./area";
import english from "./en/kit.json";

export const t = area("kit", english);
