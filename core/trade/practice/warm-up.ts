import type { PracticeEngine } from "./engine.ts";

/** What a warm-up showed, each as the outcome of the test that asks for it; without one that the run could not tell. */
export type WarmUpShown = Partial<Record<"warm-up" | "thermostat-watch", string>>;

/** What a warm-up is held against. */
export interface WarmUpCard {
  opensC: number;
  /** Of the first stage; none where it has no fan. */
  startsC: number | undefined;
  feels: "engine" | "radiator";
}

const IDLE_MINUTES = 9;
const LONGEST_MINUTES = 40;
const RAISED_RPM = 2400;
const IDLE_RPM = 800;
/** So far beside the card a start still counts as the card's, °C; a switch in the radiator starts it while the housing is hotter. */
const NEAR_C = 4.5;
const RADIATOR_BELOW_C = 12;
/** So far beyond the start without a fan, nobody waits on, °C. */
const PAST_C = 6;
/** An opening so far below or above the card isn't the card's, and beyond the last one it never comes, °C. */
const EARLY_C = 6;
const LATE_C = 5;
const NEVER_BY_C = 14;
/** The hoses say that it was open from the start. */
const OPEN_AT_FIRST = 0.12;
/** It has opened, felt at the hose. */
const OPENED = 0.03;

/**
 * An engine run from cold until its fan has been seen, or can't be any more: at idle, then with raised revs. Read as one reads it
 * beside the car: by a thermometer at the housing, by what is heard and by the hoses.
 */
export class WarmUp {
  private minutes = 0;
  private stopC = 0;
  private openedC: number | undefined;
  private fanOnC: number | undefined;
  private isPast = false;
  private isBoiling = false;
  private hottestC: number;
  private readonly isFanFromCold: boolean;
  private readonly liftAtFirst: number;

  constructor(
    private readonly engine: PracticeEngine,
    private readonly card: WarmUpCard,
  ) {
    this.hottestC = engine.blockC;
    this.isFanFromCold = engine.stages > 0;
    this.liftAtFirst = engine.lift;
  }

  /** Runs it on, at most to `stopC` of what the port tells, °C. How many minutes that took. */
  on(stopC: number): number {
    this.stopC = stopC;
    const before = this.minutes;
    for (const [until, rpm] of [
      [IDLE_MINUTES, IDLE_RPM],
      [LONGEST_MINUTES, RAISED_RPM],
    ] as const) {
      if (this.minutes >= until || this.watch()) continue;
      const went = this.engine.go(rpm, until - this.minutes, () => this.watch());
      this.minutes += went.minutes;
      if (went.isRed) break;
    }
    this.engine.stop();
    return this.minutes - before;
  }

  get shown(): WarmUpShown {
    const thermostat = this.thermostat();
    return { "warm-up": this.fan(), ...(thermostat && { "thermostat-watch": thermostat }) };
  }

  /** Notes what is seen; whether that is enough. */
  private watch(): boolean {
    const { engine, card, stopC } = this;
    const { blockC, believedC, lift, stages } = engine;
    this.hottestC = Math.max(this.hottestC, blockC);
    if (this.openedC === undefined && lift > Math.max(OPENED, this.liftAtFirst + OPENED))
      this.openedC = blockC;
    if (this.fanOnC === undefined && stages > 0) this.fanOnC = blockC;
    const isStill = stages === 0 && this.fanOnC === undefined;
    this.isPast = card.startsC !== undefined && isStill && believedC > card.startsC + PAST_C;
    this.isBoiling = believedC >= stopC && stages > 0;
    const hasCycled = this.fanOnC !== undefined && !this.isFanFromCold && stages === 0;
    return this.isPast || believedC >= stopC || hasCycled;
  }

  private fan(): string {
    const { fanOnC, hottestC, stopC, card } = this;
    if (this.isFanFromCold) return "from-cold";
    if (this.isBoiling) return "boils";
    if (fanOnC !== undefined && card.startsC !== undefined) {
      const over = fanOnC - card.startsC;
      const most = NEAR_C + (card.feels === "radiator" ? RADIATOR_BELOW_C : 0);
      return over > -NEAR_C && over < most ? "as-card" : "elsewhere";
    }
    return this.isPast || hottestC >= stopC ? "no-fan" : "never-there";
  }

  private thermostat(): string | undefined {
    const { openedC, card } = this;
    if (this.liftAtFirst > OPEN_AT_FIRST) return "early";
    if (openedC === undefined) return this.hottestC > card.opensC + NEVER_BY_C ? "never" : undefined;
    const over = openedC - card.opensC;
    return over > LATE_C || over < -EARLY_C ? "late" : "opens";
  }
}
