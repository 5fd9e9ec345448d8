import type { TraceSpec } from "./analysis.ts";
import type { Trace } from "./trace.ts";

/** 3 to 5 °C either way is what switches and thermostats are made to. */
const MOST_TOLERANCE_C = 20;
const LONGEST_REST_H = 24 * 365 * 20;

/** A card that can't be one is refused with the figure and what would be right. */
export function refuseSpec(spec: TraceSpec): void {
  const said = (figure: number | null | undefined) => (typeof figure === "number" ? [figure] : []);
  const figures = [...said(spec.thermostatOpensC), ...spec.fanOnC, ...spec.fanOffC.flatMap(said)];
  for (const figure of figures)
    if (!(figure >= 40 && figure <= 150))
      throw new RangeError(`${figure} °C on the card is outside 40 to 150 °C`);
  if (spec.fanOnC.length !== spec.fanOffC.length)
    throw new RangeError(
      `the card names ${spec.fanOnC.length} fan starts and ${spec.fanOffC.length} stops; each start wants its stop, or null where nobody knows it`,
    );
  for (const [index, onC] of spec.fanOnC.entries()) {
    const offC = spec.fanOffC[index] ?? undefined;
    if (offC !== undefined && offC >= onC)
      throw new RangeError(
        `fan stage ${index + 1} stops at ${offC} °C, which is not below its start at ${onC} °C`,
      );
    const lowerC = spec.fanOnC[index - 1];
    if (lowerC !== undefined && lowerC >= onC)
      throw new RangeError(
        `fan stage ${index + 1} starts at ${onC} °C, which is not above the stage before it at ${lowerC} °C`,
      );
  }
  const { toleranceC, restedH } = spec;
  if (toleranceC !== undefined && !(toleranceC >= 0 && toleranceC <= MOST_TOLERANCE_C))
    throw new RangeError(`a tolerance of ${toleranceC} °C is outside 0 to ${MOST_TOLERANCE_C} °C`);
  if (restedH !== undefined && !(restedH >= 0 && restedH <= LONGEST_REST_H))
    throw new RangeError(`${restedH} hours of rest is outside 0 to ${LONGEST_REST_H} h`);
}

/** A log whose columns or times can't be a log's is refused. */
export function refuseTrace({ s, coolantC, intakeC, rpm, radiatorOutC }: Trace): void {
  if (s.length < 2) throw new RangeError(`${s.length} rows are too few: a log wants at least 2`);
  for (const [name, column] of Object.entries({ coolantC, intakeC, rpm, radiatorOutC }))
    if (column && column.length !== s.length)
      throw new RangeError(
        `${name} has ${column.length} figures for ${s.length} times; each time wants its figure`,
      );
  for (let i = 0; i < s.length; i++) {
    const atS = s[i] ?? Number.NaN;
    if (!Number.isFinite(atS)) throw new RangeError(`time ${atS} in row ${i + 1} is no time in seconds`);
    const before = s[i - 1];
    if (before !== undefined && atS < before)
      throw new RangeError(`time falls from ${before} s to ${atS} s in row ${i + 1}; a log's times rise`);
    const figure = coolantC[i];
    if (figure === Number.POSITIVE_INFINITY || figure === Number.NEGATIVE_INFINITY)
      throw new RangeError(`coolant ${figure} °C in row ${i + 1} is no temperature; a missing one is NaN`);
  }
}
