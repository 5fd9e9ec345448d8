/**
 * What a log tells of a cooling system's health: what its radiator passes and its fan draws, as shares of what they did; where its
 * thermostat begins to open and its fan starts and stops, and what its sensor shows too much, °C.
 */
export const HEALTH_FIGURES = ["passes", "air", "opensC", "onC", "offC", "biasC"] as const;
export type HealthFigureName = (typeof HEALTH_FIGURES)[number];
