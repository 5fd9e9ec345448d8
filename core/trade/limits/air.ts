/** The air in a workshop where nobody read it, °C: a cold engine stands at it. */
export const USUAL_AIR_C = 20;
