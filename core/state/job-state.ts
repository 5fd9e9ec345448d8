import type { Entry } from "../book/entry/index.ts";
import { type StepState, stepsState } from "../book/out/index.ts";
import { type PartState, partsState } from "../book/parts/index.ts";
import type { System } from "../kernel/units/index.ts";
import type { BleedingCard } from "../trade/bleed/index.ts";
import { bledVehicle } from "./bled-vehicle.ts";
import { type CoolantCard, type CoolantState, coolantState } from "./coolant.ts";
import { type Duty, dutiesOf } from "./duties.ts";
import { type EngineState, engineState } from "./engine.ts";
import { type Measure, measuresOf } from "./measures.ts";
import { provenCar } from "./proofs.ts";

/** What a cooling card says that a job's state rests on. */
export interface JobCard extends CoolantCard, BleedingCard {
  capGaugeKpa?: number;
}

/** What is true of a job now, told from its book; a section a noun. */
export interface JobState {
  /** The book that it is told from, for what a stage asks beside these. */
  entries: readonly Entry[];
  engine: EngineState;
  /** Absent where no card says how much the system holds. */
  coolant?: CoolantState;
  parts: readonly PartState[];
  steps: readonly StepState[];
  measures: readonly Measure[];
  open: readonly Duty[];
}

/**
 * What is true of a job now, folded in the order in which things were true: a correction keeps the time, the place and the
 * fact of the line it corrects. `card` null where the car has none; `now` in ISO 8601; the shop's altitude in metres. Sections
 * are worked out as they are asked for.
 */
export function jobState(
  entries: readonly Entry[],
  card: JobCard | null,
  now: string,
  { altitudeM, system = "metric" }: { altitudeM?: number; system?: System } = {},
): JobState {
  return {
    entries,
    get engine() {
      return engineState(entries, now, bledVehicle(entries, card, altitudeM));
    },
    get coolant() {
      return card ? coolantState(entries, card) : undefined;
    },
    get parts() {
      return partsState(entries);
    },
    get steps() {
      return stepsState(entries);
    },
    get measures() {
      return measuresOf(entries);
    },
    get open() {
      return dutiesOf(entries, provenCar(card), system);
    },
  };
}
