import type { VirtualLog } from "./index.fixture.ts";

/** Outside the card by the tolerance and what nobody can say beyond it, °C; and for so long, s. */
const OUTSIDE_C = 5.5;
const LASTING_S = 120;
/** A switch in the radiator may start this far above its figure, as the engine's own sensor has it, °C. */
const RADIATOR_OUTSIDE_C = 29;
/** From colder than so far under the opening a climb is seen. */
const COLD_UNDER_C = 25;
/** In colder air a heater takes as much as a thermostat that hangs open, °C. */
const HEATER_AIR_C = 12;
const LONG_ENOUGH_S = 900;

/**
 * Whether a log shows a fault at all to somebody who has the card and the log and has never seen the car: what should have happened by
 * the card was passed and lasted, or happened elsewhere. A fan that has run since before the log began cools like a large radiator, and
 * shows in none.
 */
export function isShown({ fault, spec, sensorC, events, script }: VirtualLog): boolean {
  const isRadiator = spec.fanSenses === "radiator";
  const stands = (celsius: number) =>
    sensorC.reduce((count, figure) => count + (figure > celsius ? 0.1 : 0), 0) > LASTING_S;
  const [firstC = Number.POSITIVE_INFINITY] = spec.fanOnC;
  const lastC = spec.fanOnC.at(-1) ?? Number.POSITIVE_INFINITY;
  const opensC = spec.thermostatOpensC ?? Number.NaN;
  const startC = sensorC[0] ?? Number.NaN;
  const isFromCold = startC < opensC - COLD_UNDER_C;
  const starts = events.filter(({ kind }) => kind === "fan-on");
  const opened = events.find(({ kind }) => kind === "thermostat-opens");
  switch (fault) {
    case "fan-dead":
      return stands(lastC + (isRadiator ? RADIATOR_OUTSIDE_C : OUTSIDE_C));
    case "fan-late":
    case "low-dead":
      return !isRadiator && startC < firstC && stands(firstC + OUTSIDE_C);
    case "high-dead":
      return !isRadiator && stands(lastC + OUTSIDE_C);
    case "fan-early":
      return !isRadiator && starts.filter(({ coolantC }) => coolantC < firstC - OUTSIDE_C).length > 1;
    case "fan-welded":
    case undefined:
      return false;
    case "stuck-open":
      return isFromCold && script.drive.ambientC >= HEATER_AIR_C && sensorC.length / 10 > LONG_ENOUGH_S;
    case "stuck-shut":
      return isFromCold && Math.max(...sensorC) > opensC + OUTSIDE_C;
    case "opens-early":
    case "opens-late":
      return isFromCold && opened !== undefined && opened.atS < sensorC.length / 10 - LASTING_S;
    default:
      return true;
  }
}
