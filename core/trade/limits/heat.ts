/** As hot as an engine is taken to have been that ran and that nobody read, °C: above it every road thermostat is open. */
export const RAN_UNREAD_C = 85;

/** Read so hot without a word of when it stopped, an engine ran: no cool-down from before begins there, °C. */
export const RAN_READ_C = 90;

/** Coolant that was read so hot was heated by its engine not long ago, whoever wrote that down, °C: as hot as shuts its cap. */
export { CAP_OPENS_C as RAN_LATELY_C } from "./cap.ts";

/** A sensor that reads so cold is an open circuit, and so hot a short one: neither is a temperature, °C. */
export const [SENSOR_OPEN_C, SENSOR_SHORT_C] = [-39, 135];

/** From here on an engine is a warm one: no summer's workshop heats coolant so far, °C. */
export const WARM_FROM_C = 40;

/** Hotter than this no sound engine stands with its fans right, under whatever cap, °C. */
export const HOTTEST_SOUND_C = 118;
