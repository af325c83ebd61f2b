/** How a dialogue is laid out. */

/** Where the slide is drawn smaller than this, a dialogue takes all of its place. */
export const SMALLEST = 0.55;
/** A box that is so many times as wide as high has the stage beside the words. */
export const WIDE = 1.3;
