import {
  GAUGES,
  type GaugeStood,
  HAPPENS,
  type HappensWhen,
  TROUBLES,
  type Trouble as TroubleId,
} from "../../trade/diagnosis/knowledge/index.ts";
import type { EntryDraft } from "../entry/index.ts";
import { Codes, Complaint, CoolantLevel, Distance, dataOf, Gauge, Happens, Trouble } from "../facts/index.ts";
import { LEVEL_WORDS } from "../out/index.ts";

/** What the owner says, in their own words. */
export const complained = (text: string): EntryDraft => ({
  kind: "note",
  item: "complaint",
  text,
  data: dataOf(Complaint, {}),
});

/** The distance that the car has run, km. */
export const ranDistance = (km: number): EntryDraft => ({
  kind: "reading",
  item: "distance",
  value: km,
  unit: "km",
  data: dataOf(Distance, {}),
});

/** What kind of trouble it is, by the chips that were tapped. */
export const saidTrouble = (chips: TroubleId[]): EntryDraft => ({
  kind: "reading",
  item: "trouble",
  text: chips.map((id) => TROUBLES[id]).join(", "),
  data: dataOf(Trouble, { chips }),
});

/** When it happens. */
export const saidHappens = (chips: HappensWhen[]): EntryDraft => ({
  kind: "reading",
  item: "happens",
  text: chips.map((id) => HAPPENS[id]).join(", "),
  data: dataOf(Happens, { chips }),
});

/** Where the gauge on the dash stood. */
export const sawGauge = (stood: GaugeStood): EntryDraft => ({
  kind: "reading",
  item: "gauge",
  text: GAUGES[stood],
  data: dataOf(Gauge, { stood }),
});

/** Where the coolant stands against its marks; `heat` of the engine where it was looked at. */
export const sawLevel = (level: CoolantLevel["level"], heat?: CoolantLevel["heat"]): EntryDraft => ({
  kind: "reading",
  item: "coolant level",
  text: [LEVEL_WORDS[level], heat].filter(Boolean).join(", "),
  data: dataOf(CoolantLevel, { level, ...(heat && { heat }) }),
});

/** Codes that were read, as they were typed. */
export const readCodes = (text: string): EntryDraft => ({
  kind: "reading",
  item: "codes",
  text,
  data: dataOf(Codes, {}),
});
