/**
 * Below it a cap may be opened, with a cloth, by its first notch, °C read of the engine's own coolant. Water of 50 °C burns skin in
 * minutes and not at once, and the vapour over it presses less than the air does.
 */
export const CAP_OPENS_C = 50;

/** The same for who reads it, in words. */
export const CAP_OPENS_WORDS = `below about ${CAP_OPENS_C} °C, cloth over it, first notch`;
/** What whoever is about to open a system reads first. */
export const HOT_CAP_WORDS = `Never open a hot cap: ${CAP_OPENS_WORDS}, let the pressure go.`;

/** A sensor reads to a degree either way: the coolant is taken to be so much hotter than it says, °C. */
export const SENSOR_ERROR_C = 1;

/** What a car's cap is taken to hold where its card doesn't say, kPa gauge: most are stamped between 90 and 110. */
const USUAL_CAP_KPA = 100;
/** A vented expansion tank holds next to nothing; a test below it tells nothing, kPa gauge. */
const LEAST_CAP_KPA = 10;

/** What a system is pumped up to and its cap has to hold, kPa gauge: its card's rating, else a usual cap's. */
export const capRatingKPa = (onCard: number | undefined): number =>
  Math.max(LEAST_CAP_KPA, onCard ?? USUAL_CAP_KPA);
