/** As many files are walked at once: a third on two cores makes each wait for the others. */
export const WALKERS = 2;
