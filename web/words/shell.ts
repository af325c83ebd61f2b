import { area } from "./area";
import english from "./en/shell.json";

export const t = area("shell", english);
