/** A fan switch or thermostat that acts within so much of its stamp is sound, °C: 3 to 5 are usual in the trade. */
export const SWITCH_TOLERANCE_C = 4;
