/** Identities for what is made here, of a form that the core takes. */
import { customAlphabet } from "nanoid";

/** Return a fresh id: ten lower-case letters without the l, which looks like a 1. */
export const freshId: () => string = customAlphabet("abcdefghijkmnopqrstuvwxyz", 10);
