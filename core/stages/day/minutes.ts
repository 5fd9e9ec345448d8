/** A fault that is found by a handful of tests, minutes. */
export const FIND_MINUTES = 30;
