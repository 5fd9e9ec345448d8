/** As many files are walked at once: a walk waits for buttons that rest and pages that load, and five keep two cores at nine tenths. */
export const WALKERS = 5;
