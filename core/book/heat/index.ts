export { coolReadingOf } from "./readings.ts";
export { lastHotMs, lastHotOf, type ToldOfEngine, toldBy } from "./told-of-engine.ts";
