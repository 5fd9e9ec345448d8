export const FAN_SAID = [
  "none",
  "on",
  "off",
  "low on",
  "low off",
  "high on",
  "high off",
  "left on",
  "left off",
  "right on",
  "right off",
] as const;
export type FanSaid = (typeof FAN_SAID)[number];

export const FAN_TROUBLE = "What the fan did: on, off, none, or low, high, left or right with on or off.";

/** As the book says it behind a figure; nothing where nobody said. */
export const fanWords = (fan: FanSaid | undefined): string | undefined =>
  fan && (fan === "none" ? "no fan heard" : `fan ${fan}`);
