/** A temperature as a sentence of a check says it. */
export const degrees = (celsius: number): string => `${Math.round(celsius)} °C`;
