/** As many files are walked at once: two leave a tenth of two cores idle, three fill them, and a fourth would only wait. */
export const WALKERS = 3;
