export { addDays, daysBetween, dayWords, isDay } from "./days.ts";
