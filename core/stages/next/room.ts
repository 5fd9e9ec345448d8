import { type Entry, standing } from "../../book/entry/index.ts";
import { Finding, factsOf, NoParts, OrderOfWork, StepDone } from "../../book/facts/index.ts";
import { type PartState, wantedParts } from "../../book/parts/index.ts";
import type { System } from "../../kernel/units/index.ts";
import { bledVehicle, type JobCard, type JobState } from "../../state/index.ts";
import type { BleedingVehicle } from "../../trade/bleed/index.ts";
import type { Feature } from "../../trade/order/index.ts";

/** What a job's card says that the next thing to do depends on. */
export interface NextCard extends JobCard {
  circuit?: string | null;
  fanSenses?: "engine" | "radiator";
}

/** Something that can be bought for the job. */
export interface Offer {
  item: string;
  grade: string;
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
  /** The work is decided: a part was chosen or none is needed, an order was taken, or it was opened. */
  hasBegun: boolean;
  /** Something that holds it together or holds coolant has come off, back on or not; a plug pulled for a test is nothing of that. */
  wasOpened: boolean;
  hasFinding: boolean;
  parts: readonly PartState[];
}

const OPENS: ReadonlySet<string> = new Set(["part", "hose", "fastener", "clip"]);

export function roomOf(state: JobState, card: NextCard | null, now: string, terms: NextTerms): Room {
  const { entries } = state;
  const parts = wantedParts(entries);
  const wasOpened = standing(entries).some(
    ({ account = "", out = 0, stage }) => out > 0 && stage !== "find" && OPENS.has(account),
  );
  const isDecided = [NoParts, OrderOfWork, StepDone].some(
    (kind) => factsOf<object>(entries, kind).length > 0,
  );
  return {
    entries,
    state,
    card,
    now,
    nowMs: Date.parse(now),
    vehicle: bledVehicle(entries, card, terms.altitudeM),
    terms,
    system: terms.system ?? "metric",
    wasOpened,
    hasBegun: parts.length > 0 || wasOpened || isDecided,
    hasFinding: factsOf(entries, Finding).length > 0,
    parts,
  };
}
