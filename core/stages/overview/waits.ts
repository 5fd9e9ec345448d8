import { type Entry, standing } from "../../book/entry/index.ts";
import { BleedStep, lastFact, Waiting, type WaitKind } from "../../book/facts/index.ts";
import { type EngineState, engineState } from "../../state/index.ts";
import { type BleedingVehicle, isShut, stepOf } from "../../trade/bleed/index.ts";
import { bleedRun } from "../fill/index.ts";

export interface Wait {
  waitsFor: WaitKind;
  /** What it waits for, in words. */
  words: string;
  /** Since when, ISO. */
  since: string;
  /** When it should be over, ISO, where that is known. */
  until?: string;
}

/**
 * What the job waits for now: the last that was said; hands where nothing was. `vehicle` as for `methodsFor`, so that a
 * reading over its limit ends the clock of a step as it ends the step; `now` in ISO 8601, else the time of the last line.
 */
export function waitOf(
  entries: readonly Entry[],
  openedAt: string,
  vehicle: BleedingVehicle = {},
  now = entries.at(-1)?.at ?? openedAt,
): Wait {
  const last = lastFact(entries, Waiting);
  const bleeding = lastFact(entries, BleedStep);
  const all = standing(entries);
  const placeOf = (entry: Entry | undefined) => all.findIndex(({ id }) => id === entry?.id);
  if (bleeding && placeOf(bleeding.entry) > placeOf(last?.entry))
    return bleedingWait(
      bleeding.fact,
      bleeding.entry,
      engineState(entries, now, vehicle),
      bleedRun(entries, vehicle)?.stopped !== undefined,
    );
  if (!last) return { waitsFor: "hands", words: "", since: openedAt };
  const { waitsFor, until } = last.fact;
  return { waitsFor, words: last.entry.text ?? "", since: last.entry.at, until };
}

/** A step of bleeding that runs by a clock, or a cool-down that nobody has to stand beside. */
function bleedingWait(
  { does, minutes, school, step }: BleedStep,
  entry: Entry,
  engine: EngineState,
  isStopped: boolean,
): Wait {
  const since = entry.at;
  const words = entry.item ?? "bleeding";
  if (does === "ends") return { waitsFor: "hands", words, since };
  if (isStopped || does === "stops") return coolingWait(engine, engine.ranUntil ?? since, STOPPED_HOT);
  if (minutes !== undefined)
    return {
      waitsFor: "heat",
      words,
      since,
      until: new Date(Date.parse(since) + minutes * 60_000).toISOString(),
    };
  if (stepOf(school, step)?.kind === "cool") return coolingWait(engine, since, "it cools");
  return { waitsFor: "hands", words, since };
}

const MS = 1000;
const STOPPED_HOT = "stopped hot: it cools";

function coolingWait({ cap }: EngineState, since: string, words: string): Wait {
  const { readyAtS } = cap;
  if (!isShut(cap)) return { waitsFor: "hands", words: "cool enough to open", since };
  return {
    waitsFor: "heat",
    words,
    since,
    ...(readyAtS && { until: new Date(readyAtS.likely * MS).toISOString() }),
  };
}
