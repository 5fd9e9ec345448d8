/**
 * How far the engine's own coolant stands above a switch or sensor in the radiator's cooled end, °C: by next to nothing where the
 * water rushes through a radiator that gives off little, by 5 to 15 in most cars at idle, and by 26 at the very most, at idle behind
 * a thermostat that has just opened. Beyond the most something is wrong; within the least and the most the engine's own
 * sensor can't tell.
 */
export const RADIATOR_LAG_C = { least: 0, usualLeast: 5, usualMost: 15, most: 26 } as const;
