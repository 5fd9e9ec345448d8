import type { EntryDraft } from "../entry/index.ts";
import {
  CoolantRead,
  dataOf,
  FanHeard,
  type FanSaid,
  factOf,
  HealthRead,
  PressureRead,
  Proof,
  type ProofName,
  READ_ITEMS,
  type ReadAt,
} from "../facts/index.ts";
import { saying } from "./about.ts";

/** Something shows that the work has done what it should, or not, or wasn't seen; then why. */
export const proved = (
  { proof, words }: { proof: ProofName; words: string },
  verdict: Proof["verdict"],
  because?: string,
): EntryDraft => ({
  kind: "test",
  item: words,
  ...saying(because),
  data: dataOf(Proof, { proof, verdict, ...(because ? { because } : {}) }),
});

/** The gauge on a system under pressure, kPa; what was read of the coolant beside it, °C. */
export const readPressure = (kPa: number, { begins, coolantC }: PressureRead = {}): EntryDraft => ({
  kind: "reading",
  item: "pressure test",
  value: kPa,
  unit: "kPa",
  data: dataOf(PressureRead, { ...(begins && { begins }), ...(coolantC !== undefined && { coolantC }) }),
});

/** The coolant's temperature, °C, with where it was read; `when` where that was not now, ISO. */
export const readCoolant = (celsius: number, at: ReadAt = "engine", when?: string): EntryDraft => ({
  kind: "reading",
  item: READ_ITEMS[at],
  value: celsius,
  unit: "°C",
  ...(when && { at: when }),
  data: dataOf(CoolantRead, { at }),
});

/** The air around the car, °C. */
export const readRoom = (celsius: number): EntryDraft => ({
  kind: "reading",
  item: "room",
  value: celsius,
  unit: "°C",
});

/** What was heard of the fan as something was read. */
export function heardFan(reading: EntryDraft, fan: FanSaid): EntryDraft {
  const read = factOf(reading)?.fact;
  const data =
    read instanceof CoolantRead ? dataOf(CoolantRead, { at: read.at, fan }) : dataOf(FanHeard, { fan });
  return { ...reading, data };
}

/** A warm-up was logged: what it says is written by the server, once it has judged it. */
export const loggedWarmUp = (name: string): EntryDraft => ({
  kind: "reading",
  item: "warm-up log",
  text: `${name}, judged once it is sent`,
});

/** What a log said of the system's health, in one sentence, with the figures behind it. */
export const readHealth = (words: string, health: HealthRead): EntryDraft => ({
  kind: "reading",
  item: "cooling health",
  ...saying(words),
  data: dataOf(HealthRead, health),
});
