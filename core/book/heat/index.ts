export { coolReadingOf, READ_ITEMS } from "./readings.ts";
export { lastHotMs, lastHotOf, type ToldOfEngine, toldBy, WARM_C } from "./told-of-engine.ts";
