import { type BleedingVehicle, type CoolReading, coolDown } from "../bleed/index.ts";
import { BleedStep, lastFact, Waiting, type WaitKind } from "../facts/index.ts";
import { type Entry, standing } from "../ledger/index.ts";
import { bleedRun } from "./bleed-run.ts";
import { coolingIn } from "./cooling.ts";

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
 * reading over its limit ends the clock of a step as it ends the step.
 */
export function waitOf(entries: readonly Entry[], openedAt: string, vehicle: BleedingVehicle = {}): Wait {
  const last = lastFact(entries, Waiting);
  const bleeding = lastFact(entries, BleedStep);
  const all = standing(entries);
  const placeOf = (entry: Entry | undefined) => all.findIndex(({ id }) => id === entry?.id);
  if (bleeding && placeOf(bleeding.entry) > placeOf(last?.entry))
    return bleedingWait(
      bleeding.fact,
      bleeding.entry,
      all.slice(placeOf(bleeding.entry) + 1),
      bleedRun(entries, vehicle),
    );
  if (!last) return { waitsFor: "hands", words: "", since: openedAt };
  const { waitsFor, until } = last.fact;
  return { waitsFor, words: last.entry.text ?? "", since: last.entry.at, until };
}

/** A step of bleeding that runs by a clock, or a cool-down that nobody has to stand beside. */
function bleedingWait(
  { does, minutes }: BleedStep,
  entry: Entry,
  after: readonly Entry[],
  run: ReturnType<typeof bleedRun>,
): Wait {
  const since = entry.at;
  const words = entry.item ?? "bleeding";
  if (does === "ends") return { waitsFor: "hands", words, since };
  const over = does === "starts" && run?.stopped !== undefined ? run.cooling : [];
  const [first] = over;
  if (first) return coolingWait(over, new Date(first.atS * MS).toISOString(), STOPPED_HOT);
  if (does === "starts" && minutes !== undefined)
    return {
      waitsFor: "heat",
      words,
      since,
      until: new Date(Date.parse(since) + minutes * 60_000).toISOString(),
    };
  const cooling = coolingIn(after);
  if (cooling.length > 0) return coolingWait(cooling, since, "it cools");
  return does === "stops"
    ? { waitsFor: "heat", words: STOPPED_HOT, since }
    : { waitsFor: "hands", words, since };
}

const MS = 1000;
const STOPPED_HOT = "stopped hot: it cools";

function coolingWait(cooling: readonly CoolReading[], since: string, words: string): Wait {
  const { safeNow, readyAtS } = coolDown(cooling, { shutOffAtS: Date.parse(since) / MS });
  if (safeNow === "pass") return { waitsFor: "hands", words: "cool enough to open", since };
  return {
    waitsFor: "heat",
    words,
    since,
    ...(readyAtS && { until: new Date(readyAtS.likely * MS).toISOString() }),
  };
}
