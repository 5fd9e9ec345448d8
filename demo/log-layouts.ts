import type { Trace } from "../core/trade/trace/index.ts";

const toFahrenheit = (celsius: number) => (celsius * 1.8 + 32).toFixed(1);
const clock = (seconds: number) => new Date(seconds * 1000).toISOString().slice(11, 23);

interface Row {
  s: number;
  coolantC: number;
  intakeC: number;
  rpm: number;
}

/** Four ways in which loggers write the same thing. */
export const LAYOUTS = {
  plain: (rows: Row[]) => [
    "time_s,coolant_C,intake_C,engine_rpm",
    ...rows.map((row) => `${row.s.toFixed(1)},${row.coolantC},${row.intakeC},${row.rpm}`),
  ],
  fahrenheit: (rows: Row[]) => [
    "Timestamp,Engine coolant temp (F),Intake air temp (F),Revs (rpm)",
    ...rows.map(
      (row) =>
        `2031-03-04T${clock(33_000 + row.s)},${toFahrenheit(row.coolantC)},${toFahrenheit(row.intakeC)},${row.rpm}`,
    ),
  ],
  semicolons: (rows: Row[]) => [
    "Zeit;Kühlmitteltemperatur [°C];Ansaugluft [°C];Drehzahl [1/min]",
    ...rows.map((row) => `${clock(row.s).replace(".", ",")};${row.coolantC},0;${row.intakeC},0;${row.rpm}`),
  ],
  tabs: (rows: Row[]) => [
    "# bay 2, standing, heater off",
    "elapsed (ms)\tECT degC\tIAT degC\trpm",
    ...rows.map((row) => `${Math.round(row.s * 1000)}\t${row.coolantC}\t${row.intakeC}\t${row.rpm}`),
  ],
} as const;

/** A simulated log as the text of a logger's file. */
export function logText(
  { s, coolantC, intakeC, rpm }: Required<Pick<Trace, "s" | "coolantC" | "intakeC" | "rpm">>,
  layout: keyof typeof LAYOUTS,
): string {
  const rows = Array.from(s, (second, row) => ({
    s: second,
    coolantC: coolantC[row] as number,
    intakeC: intakeC[row] as number,
    rpm: rpm[row] as number,
  }));
  return `${LAYOUTS[layout](rows).join("\n")}\n`;
}
