/** As many files are walked at once: most of a walk is waiting, as a person waits. */
export const WALKERS = 2;
