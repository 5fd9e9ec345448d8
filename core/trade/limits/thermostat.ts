/** A bend this far below the card's opening is no opening: the thermostat was open all along, °C. */
export const NEVER_SHUT_C = 12;
