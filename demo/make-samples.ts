import { writeFileSync } from "node:fs";
import { logText } from "./log-layouts.ts";

// Writes samples/*.csv: node --import tsx demo/make-samples.ts
const fan = { onC: 98, offC: 92, air: 1.3 };
const car = { thermostatOpensC: 87, draught: 0.3, fans: [fan] };
const samples = {
  "sound-one-fan": logText({ car, ambientC: 19, minutes: 34, seed: 11 }, "plain"),
  "fan-never-starts": logText(
    { car: { ...car, fans: [{ ...fan, dead: true }] }, ambientC: 16, minutes: 26, seed: 12 },
    "fahrenheit",
  ),
  "stopped-before-the-fan": logText({ car, ambientC: 12, minutes: 17, seed: 13 }, "semicolons"),
  "thermostat-hangs-open": logText(
    { car: { ...car, thermostat: "held-open", draught: 0.6 }, ambientC: 8, minutes: 28, seed: 14 },
    "tabs",
  ),
};
for (const [name, text] of Object.entries(samples))
  writeFileSync(new URL(`../samples/${name}.csv`, import.meta.url), text);
