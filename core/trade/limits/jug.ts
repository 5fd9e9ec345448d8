/** A jug is read to about this share of what is in it, either way. */
export const JUG_SHARE = 0.02;
