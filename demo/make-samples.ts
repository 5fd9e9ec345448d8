import { writeFileSync } from "node:fs";
import { simulate, USUAL_CAR } from "../core/trade/thermal/index.ts";
import { type LAYOUTS, logText } from "./log-layouts.ts";

type Sample = [
  layout: keyof typeof LAYOUTS,
  ambientC: number,
  minutes: number,
  seed: number,
  faults: string[],
];

// Writes samples/*.csv: node --import tsx demo/make-samples.ts
const SAMPLES: Record<string, Sample> = {
  "sound-one-fan": ["plain", 19, 34, 11, []],
  "fan-never-starts": ["fahrenheit", 16, 26, 12, ["motor"]],
  "stopped-before-the-fan": ["semicolons", 12, 17, 13, []],
  "thermostat-hangs-open": ["tabs", 8, 28, 14, ["thermostat-open"]],
};
for (const [name, [layout, ambientC, minutes, seed, faults]] of Object.entries(SAMPLES)) {
  const script = { ambientC, steps: [{ minutes, rpm: 1500 }] };
  const { trace } = simulate(USUAL_CAR, script, faults, { seed });
  writeFileSync(new URL(`../samples/${name}.csv`, import.meta.url), logText(trace, layout));
}
