import { area } from "./area";
import english from "./en/quiz.json";

export const t = area("quiz", english);
