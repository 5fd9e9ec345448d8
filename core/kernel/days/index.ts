export { addDays, daysBetween, dayWords, isDay } from "./days.ts";
export { dayInZone, momentInZone } from "./in-zone.ts";
export { hoursAndMinutes } from "./minutes.ts";
