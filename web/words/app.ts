import { area } from "./area";
import english from "./en/app.json";

export const t = area("app", english);
