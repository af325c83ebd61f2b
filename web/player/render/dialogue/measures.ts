/** How a dialogue is laid out. */

/** Where the slide is drawn smaller than this, a dialogue takes all of its place. */
export const SMALLEST = 0.55;
