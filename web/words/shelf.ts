import { area } from "./area";
import english from "./en/shelf.json";

export const t = area("shelf", english);
