import Papa from "papaparse";
import { simulate, USUAL_CAR } from "../../core/trade/thermal/index.ts";
import { analyseTrace, readTrace } from "../../core/trade/trace/index.ts";
import { type Figure, medianMs, medianPairMs } from "./measure.ts";

const SPEC = { thermostatOpensC: 87, fanOnC: [98], fanOffC: [92] };

/** A log of so many rows, ten a second, told over and over where a warm-up is shorter. */
function logOf(rows: number): string {
  const script = { ambientC: 18, steps: [{ minutes: 60, rpm: 1500 }] };
  const { trace } = simulate(USUAL_CAR, script, [], { hz: 10, seed: 4 });
  const lines = ["time_s,coolant_C,intake_C,engine_rpm"];
  for (let i = 0; i < rows; i++) {
    const row = i % trace.s.length;
    lines.push(`${(i / 10).toFixed(1)},${trace.coolantC[row]},${trace.intakeC?.[row]},${trace.rpm?.[row]}`);
  }
  return lines.join("\n");
}

/** Reading logs, against the plain CSV parser on the same text. */
export async function benchLogs(): Promise<Figure[]> {
  const million = logOf(1_000_000);
  const { firstMs, secondMs } = await medianPairMs(
    3,
    () => readTrace(million),
    () => Papa.parse(million),
  );
  const hour = logOf(36_000);
  const hourMs = await medianMs(7, () => {
    const { trace } = readTrace(hour);
    if (trace) analyseTrace(trace, SPEC);
  });
  return [
    {
      name: "reading 1,000,000 rows, times the CSV parser alone",
      measured: firstMs / secondMs,
      unit: "×",
      wanted: 2,
      from: `${Math.round(firstMs)} ms against ${Math.round(secondMs)} ms`,
    },
    { name: "reading and analysing 36,000 rows", measured: hourMs, unit: "ms", wanted: 150 },
  ];
}
