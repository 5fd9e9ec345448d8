import type { Entry } from "../../book/entry/index.ts";
import { Finding, factsOf, OrderOfWork } from "../../book/facts/index.ts";
import { stillOut } from "../../book/out/index.ts";
import { type PartState, wantedParts } from "../../book/parts/index.ts";
import type { System } from "../../kernel/units/index.ts";
import { bledVehicle, type JobCard, type JobState } from "../../state/index.ts";
import type { BleedingVehicle } from "../../trade/bleed/index.ts";
import type { Feature } from "../../trade/order/index.ts";
import type { Grade } from "../../trade/sourcing/index.ts";
import type { FindPlan, VerdictOffer } from "../find/index.ts";

/** What a job's card says that the next thing to do depends on. */
export interface NextCard extends JobCard {
  circuit?: string | null;
  fanSenses?: "engine" | "radiator";
}

/** Something that can be bought for the job. */
export interface Offer {
  item: string;
  grade: Grade;
  supplier: string;
  priceCents?: number;
  days?: number;
  partDays?: number;
  labourDays?: number;
}

/** What is known beside the book and the card; each may be left out. */
export interface NextTerms {
  system?: System;
  altitudeM?: number;
  /** What Find has thought out already, with the shop's own history; else it goes by the handbook. */
  find?: FindPlan & { offer?: VerdictOffer };
  /** What the shelf has. */
  offers?: readonly Offer[];
  /** What the car has in the way, by the last job on the model. */
  features?: readonly Feature[];
  /** What the car had run by the last reading, km. */
  ranKm?: number | null;
  /** Money as the shop writes it, from minor units. */
  money?: (cents: number) => string;
}

/** All that an act is told from. */
export interface Room {
  entries: readonly Entry[];
  state: JobState;
  card: NextCard | null;
  now: string;
  nowMs: number;
  vehicle: BleedingVehicle;
  terms: NextTerms;
  system: System;
  /** Hands are at the car: an order was taken, something came off, or a part was chosen. */
  hasBegun: boolean;
  hasFinding: boolean;
  parts: readonly PartState[];
}

export function roomOf(state: JobState, card: NextCard | null, now: string, terms: NextTerms): Room {
  const { entries } = state;
  const parts = wantedParts(entries);
  return {
    entries,
    state,
    card,
    now,
    nowMs: Date.parse(now),
    vehicle: bledVehicle(entries, card, terms.altitudeM),
    terms,
    system: terms.system ?? "metric",
    hasBegun: parts.length > 0 || factsOf(entries, OrderOfWork).length > 0 || stillOut(entries).length > 0,
    hasFinding: factsOf(entries, Finding).length > 0,
    parts,
  };
}
