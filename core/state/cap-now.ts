import { lastHotOf, type ToldOfEngine } from "../book/heat/index.ts";
import { type CoolDown, coolDown } from "../trade/bleed/index.ts";
import { RAN_LATELY_C } from "../trade/limits/index.ts";

/** After this long with the engine off its coolant stands near the air: cold tests can be done, hours. */
export const COOLS_IN_H = 6;
const HOUR_MS = 3_600_000;
const MS = 1000;
/** What the hand felt, and what the air was, is believed so long. */
const FELT_MS = 900_000;
export const AIR_MS = 12 * HOUR_MS;
/** A system that has lost so much is open already: nothing is under pressure. */
const OPEN_L = 0.5;
/** What was poured into a block that stood so long out of a can is not heated by it any more. */
const REFILLED_COLD_MS = 2 * HOUR_MS;

/** What was read last since then, where that is hot and not hours old. */
function readHotSince({ readings }: ToldOfEngine, sinceMs: number, nowMs: number): number | undefined {
  const last = readings.findLast(({ where }) => where === "engine");
  if (!last || last.coolantC < RAN_LATELY_C) return undefined;
  const atMs = last.atS * MS;
  return atMs >= sinceMs && nowMs - atMs < REFILLED_COLD_MS ? last.coolantC : undefined;
}

/** Whether a cap may be opened at this moment by what a book tells of its engine. */
export function capOf(told: ToldOfEngine, nowMs: number): CoolDown {
  const { ranUntilMs, hottestC, room, hose, readings } = told;
  const upperHose = hose && nowMs - hose.atMs <= FELT_MS ? hose.upper : undefined;
  if (told.isRunning)
    return {
      safeNow: "fail",
      because:
        "The engine runs, by the step of bleeding in hand: stop that on Fill, then let it cool and read it.",
    };
  const hasStood = ranUntilMs === undefined || nowMs - ranUntilMs >= REFILLED_COLD_MS;
  const isOpen = told.outL >= OPEN_L || (told.drainedL >= OPEN_L && hasStood);
  const hotC = isOpen ? readHotSince(told, told.drainedMs ?? nowMs, nowMs) : undefined;
  if (hotC !== undefined)
    return {
      safeNow: "fail",
      because: `It was drained, and ${Math.round(hotC)} °C was read since: what is left in it burns. Let it cool, then read it again.`,
    };
  if (isOpen && upperHose !== "hard-or-hot")
    return {
      safeNow: "pass",
      because: "It was drained since it last ran: it is open, and nothing is under pressure.",
    };
  const ambientC = room && nowMs - room.atMs <= AIR_MS ? room.celsius : undefined;
  const said = coolDown(readings, {
    ...(ambientC === undefined ? {} : { ambientC }),
    ...(ranUntilMs === undefined ? {} : { ranUntilS: ranUntilMs / MS }),
    ...(hottestC === undefined ? {} : { hottestC }),
    ...(upperHose === undefined ? {} : { upperHose }),
    nowS: nowMs / MS,
  });
  const isNobodysRun = lastHotOf(told) === Number.NEGATIVE_INFINITY;
  const isHereLong = nowMs - (told.hereMs ?? nowMs) >= COOLS_IN_H * HOUR_MS;
  // That no line tells of a run is no night: it may have come in hot, and a dead sensor reads the air.
  if (said.safeNow === "pass" && isNobodysRun && !isHereLong && told.coldMs === undefined && !upperHose)
    return {
      safeNow: "not-seen",
      because: `${said.because.split(",")[0]}, and nobody has written when it ran last: squeeze the upper hose.`,
    };
  if (said.safeNow !== "not-seen" || upperHose !== "soft-and-cool") return said;
  const isStood = nowMs - lastHotOf(told) >= COOLS_IN_H * HOUR_MS;
  const isReadHot = readings.some(
    ({ atS, coolantC }) => nowMs - atS * MS <= FELT_MS && coolantC >= RAN_LATELY_C,
  );
  return isStood && !isReadHot
    ? {
        safeNow: "pass",
        because: isNobodysRun
          ? "The book knows of no run, and the upper hose is soft and cool. Cloth over it, first notch."
          : `It has stood ${COOLS_IN_H} hours and more, and the upper hose is soft and cool. Cloth over it, first notch.`,
      }
    : said;
}
