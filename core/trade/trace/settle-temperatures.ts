import type { Column, TemperatureUnit } from "./columns.ts";
import type { TimedColumns } from "./settle-time.ts";
import type { Trace } from "./trace.ts";

/** No coolant in a running engine reads this in °C, and every warm one does in °F. */
const SURELY_FAHRENHEIT = 135;
/** A jump of this many in one row that is none when read in the other unit is a change of unit. */
const UNIT_JUMP = 40;
const SAME_AFTER_C = 4;

const toCelsius = (fahrenheit: number) => (fahrenheit - 32) / 1.8;

function likelyUnit(figures: Float64Array): TemperatureUnit {
  const sorted = Float64Array.from(figures.filter((figure) => Number.isFinite(figure))).sort();
  return (sorted[Math.floor(sorted.length * 0.95)] ?? 0) > SURELY_FAHRENHEIT ? "F" : "C";
}

function unitChange(figures: Float64Array): number | undefined {
  for (let i = 1; i < figures.length; i++) {
    const before = figures[i - 1] ?? 0;
    const after = figures[i] ?? 0;
    if (Math.abs(after - before) < UNIT_JUMP) continue;
    const stays = figures.subarray(i, i + 5).every((figure) => Math.abs(figure - after) < UNIT_JUMP / 2);
    const turnsF = Math.abs(toCelsius(after) - before) < SAME_AFTER_C;
    const turnsC = Math.abs(after - toCelsius(before)) < SAME_AFTER_C;
    if (stays && (turnsF || turnsC)) return i;
  }
  return undefined;
}

const inCelsius = (figures: Float64Array, unit: TemperatureUnit) =>
  unit === "F" ? figures.map(toCelsius) : figures;

/** Every temperature column in °C: by its header, by units written behind the figures, else by what is plausible. */
export function settleTemperatures(
  { s, coolant, side }: TimedColumns,
  unitsSeen: Map<TemperatureUnit, number>,
  columns: { coolant: Column; side: Column[] },
) {
  const assumed: string[] = [];
  const name = columns.coolant.name;
  const refuse = (message: string, line?: number) => ({
    columns: { coolantC: coolant },
    assumed,
    stops: { line, column: name, message },
  });
  if (unitsSeen.size > 1) {
    const line = Math.max(...unitsSeen.values());
    return refuse(
      `Line ${line}: “${name}” changes its unit here. Every figure of a column must be in °C or every one in °F.`,
      line,
    );
  }
  const changed = unitChange(coolant);
  if (changed !== undefined) {
    const at = Math.round(s[changed] ?? 0);
    return refuse(
      `“${name}” changes its unit ${at} s into the log (from ${coolant[changed - 1]} to ${coolant[changed]}). Every figure of a column must be in °C or every one in °F.`,
    );
  }
  const written = [...unitsSeen.keys()][0];
  const unit = columns.coolant.unit ?? written ?? likelyUnit(coolant);
  if (!columns.coolant.unit && !written) {
    assumed.push(`“${name}” names no unit; its figures are those of °${unit}.`);
  } else if (columns.coolant.unit && written && columns.coolant.unit !== written) {
    const line = unitsSeen.get(written);
    return refuse(
      `Line ${line}: “${name}” is in °${columns.coolant.unit} by its header and in °${written} here. One of them must go.`,
      line,
    );
  }
  const celsius: Pick<Trace, "coolantC" | "intakeC" | "rpm" | "radiatorOutC"> = {
    coolantC: inCelsius(coolant, unit),
  };
  for (const column of columns.side) {
    const figures = side.get(column.role);
    if (!figures?.some((figure) => Number.isFinite(figure))) continue;
    if (column.role === "rpm") celsius.rpm = figures;
    else if (column.role === "intake") celsius.intakeC = inCelsius(figures, column.unit ?? unit);
    else if (column.role === "radiatorOut") celsius.radiatorOutC = inCelsius(figures, column.unit ?? unit);
  }
  return { columns: celsius, assumed, stops: undefined };
}
