import type { Trace } from "./trace.ts";

const SIDE = [
  ["intake_C", "intakeC"],
  ["engine_rpm", "rpm"],
  ["radiator_out_C", "radiatorOutC"],
] as const;

const figure = (value: number | undefined) =>
  value === undefined || !Number.isFinite(value) ? "" : String(Math.round(value * 1000) / 1000);

/** A log as CSV in our own layout: seconds, °C, rpm, decimal points, marks in the last column. Reads back the same. */
export function writeTrace(trace: Trace): string {
  const side = SIDE.filter(([, column]) => trace[column]);
  const marks = new Map(trace.marks.map((mark) => [mark.s, mark.what]));
  const names = ["time_s", "coolant_C", ...side.map(([name]) => name), ...(marks.size > 0 ? ["mark"] : [])];
  const lines = [names.join(",")];
  for (let i = 0; i < trace.s.length; i++) {
    const cells = [
      figure(trace.s[i]),
      figure(trace.coolantC[i]),
      ...side.map(([, column]) => figure(trace[column]?.[i])),
    ];
    if (marks.size > 0) {
      const said = marks.get(trace.s[i] ?? -1) ?? "";
      cells.push(/[",\n]/.test(said) ? `"${said.replaceAll('"', '""')}"` : said);
    }
    lines.push(cells.join(","));
  }
  return `${lines.join("\n")}\n`;
}
