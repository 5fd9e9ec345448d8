/** A level is read by eye against a mark on a cloudy tank, litres; from gauge-reading practice, one standard deviation. */
export const READING_L = 0.1;
