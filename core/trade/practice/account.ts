import {
  BOILED_COMEBACK_CENTS,
  hypothesisOf,
  type RepairKnowledge,
  USUAL_RATES,
} from "../diagnosis/knowledge/index.ts";

/** A night takes as much of a working day as waiting until an engine is cold; a shorter wait its part, other cars being there. */
const WAITED_SHARE = 0.25;

/** What a round has cost so far, and what was risked. */
export class Account {
  workMinutes = 0;
  /** What waiting is worth in working minutes, and the nights it took. */
  waitedAs = 0;
  nights = 0;
  partsCents = 0;
  comebackCents = 0;
  tests = 0;
  wrongRepairs = 0;
  peakC = 0;
  hasBoiled = false;
  /** An engine was run before anybody had looked at its level. */
  isUnlooked = false;
  /** What was opened hot, and how hot it was, °C. */
  readonly openedHot: { at: string; coolantC: number }[] = [];

  worked(minutes: number): void {
    this.workMinutes += minutes;
  }

  waited(minutes: number): void {
    this.waitedAs += Math.min(minutes * WAITED_SHARE, USUAL_RATES.coolMinutes ?? 0);
  }

  night(): void {
    this.nights++;
    this.waitedAs += USUAL_RATES.coolMinutes ?? 0;
  }

  opened(at: string, coolantC: number): void {
    this.openedHot.push({ at, coolantC: Math.round(coolantC) });
  }

  repaired({ minutes, partsCents }: RepairKnowledge): void {
    this.workMinutes += minutes + USUAL_RATES.recheckMinutes;
    this.partsCents += partsCents;
  }

  /** A car that was handed back with something wrong comes back, a boiled one with another bill. */
  handedBack({ minutes }: RepairKnowledge, left: readonly string[]): void {
    this.workMinutes += minutes;
    if (left.length === 0) return;
    const boils = left.some((fault) => hypothesisOf(fault)?.boils);
    this.comebackCents += boils ? BOILED_COMEBACK_CENTS : USUAL_RATES.comebackCents;
  }

  /** By the handbook's rates, whatever a shop's own are: so that one person's rounds can be held against each other. */
  cents(): number {
    const minutes = this.workMinutes + this.waitedAs;
    return Math.round(minutes * USUAL_RATES.centsPerMinute) + this.partsCents + this.comebackCents;
  }
}
