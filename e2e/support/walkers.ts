/** As many files are walked at once: three quarters of a walk is waiting, as a person waits. */
export const WALKERS = 3;
