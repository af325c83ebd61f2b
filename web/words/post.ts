import { area } from "./area";
import english from "./en/post.json";

export const t = area("post", english);
