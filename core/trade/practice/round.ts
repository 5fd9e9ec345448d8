import { benchCar } from "../bench/index.ts";
import { HAND_BACK, NOTHING_WRONG, type Rates } from "../diagnosis/index.ts";
import {
  type Circuit,
  hypothesesOf,
  REPAIRS,
  type RepairKnowledge,
  type TestKnowledge,
  TROUBLES,
  type Trouble,
  testsOf,
  USUAL_RATES,
} from "../diagnosis/knowledge/index.ts";
import { CAP_OPENS_C } from "../limits/index.ts";
import { type Account, emptyAccount } from "./account.ts";
import type { PracticeAct } from "./acts.ts";
import { PracticeEngine } from "./engine.ts";
import { faultyCar, isOneFans } from "./faulty-car.ts";
import { circuitOfCar, type Hidden } from "./hidden.ts";
import { handbookResult } from "./results.ts";
import { WarmUp, type WarmUpCard } from "./warm-up.ts";

/** What came of one act. */
export interface Done {
  act: PracticeAct;
  /** When it was over, minutes from the beginning. */
  minute: number;
  /** What it said, where it was a test that could say something. */
  outcome?: string;
  /** What there is to say of it beside its outcome. */
  words?: string;
}

/** Below it an engine is too cold for what wants a hot one, °C, unless it has run so long and gets no hotter. */
const HOT_FROM_C = 62;
const HOT_ANYHOW_MINUTES = 20;
/** Above it an engine is too hot for what wants a cold one, °C. */
const COLD_TO_C = 45;
/** At this of its own sensor an engine is switched off, where a test says nothing else, °C. */
const MOST_HOT_C = 112;
const IDLE_RPM = 800;
const GAUGE_HIGH = "gauge-high";
/** A dial with that fault stands so much too high, °C; and from so far apart on it is seen beside the port. */
const GAUGE_HIGH_C = 12;
const APART_C = 5;
const RECHECK_RUN_MINUTES = 20;

/** One round of practice: a car with something hidden in it, and all that is done with it. Plain acts in, the same acts the same round. */
export class PracticeRound {
  readonly circuit: Circuit;
  readonly done: Done[] = [];
  readonly account: Account = emptyAccount();
  /** Results that still tell of the car as it is; each test once. */
  evidence: { test: string; outcome: string }[] = [];
  /** What a repair in vain, or one that helped, has ruled out. */
  ruledOut: string[] = [];
  end: "found" | "handed-back" | "given-up" | undefined;
  private readonly engine: PracticeEngine;
  private readonly tests: readonly TestKnowledge[];
  private left: string[];
  /** Repairs done on the car as it is. */
  private mended: string[] = [];
  /** Repairs that helped so far: the car is another one after each. */
  private helped = 0;
  private ranMinutes = 0;
  /** The dial was put right. */
  private isGaugeRight = false;
  /** Somebody has looked at the level, cold or not. */
  private hasLooked = false;
  /** Where what is going on is one warm-up from cold. */
  private warmUp: WarmUp | undefined;

  constructor(
    readonly hidden: Hidden,
    private readonly rates: Rates = USUAL_RATES,
  ) {
    this.circuit = circuitOfCar(hidden.carKey);
    this.tests = testsOf(this.circuit);
    this.left = [...hidden.faults];
    this.engine = new PracticeEngine(faultyCar(hidden.carKey, this.left), hidden.seed);
    this.engine.gaugeOffC = this.gaugeOff();
  }

  seen() {
    return this.engine.seen();
  }

  get rows() {
    return this.engine.rows;
  }

  get minute(): number {
    return this.engine.minute;
  }

  /** What the owner says of what is wrong now. */
  get trouble(): Trouble {
    const { faults, troubles } = this.hidden;
    return troubles[Math.max(0, faults.indexOf(this.left[0] ?? ""))] ?? "light";
  }

  /** How the planner sees the engine. */
  get heat(): "cold" | "hot" | "warming warm-up" {
    return this.engine.blockC < COLD_TO_C ? "cold" : this.warmUp ? "warming warm-up" : "hot";
  }

  get isHotEnough(): boolean {
    return this.engine.blockC >= HOT_FROM_C || this.ranMinutes >= HOT_ANYHOW_MINUTES;
  }

  /** Whether it is so hot that no test has it run on. */
  get isTooHotToRun(): boolean {
    return this.engine.believedC >= MOST_HOT_C - 2;
  }

  /** What its cap stands at, °C: nobody in practice sees it, the account does. */
  get isSafeToOpen(): boolean {
    return this.engine.blockC <= CAP_OPENS_C;
  }

  isTested(test: string): boolean {
    return this.evidence.some((each) => each.test === test);
  }

  /** Throws a RangeError for what this car doesn't have, a test done already, and for anything after the end. */
  act(act: PracticeAct): Done {
    if (this.end) throw new RangeError("This round is over.");
    const said = this.doing(act);
    if (act.do !== "test") this.warmUp = undefined;
    this.account.peakC = this.engine.peakC;
    this.account.hasBoiled = this.engine.hasBoiled;
    const done: Done = { act, minute: this.engine.minute, ...said };
    this.done.push(done);
    return done;
  }

  private doing(act: PracticeAct): Pick<Done, "outcome" | "words"> {
    switch (act.do) {
      case "test":
        return this.test(act.id);
      case "run":
        return this.ran(this.heated(act.rpm, act.minutes));
      case "wait":
        this.engine.stop();
        this.engine.go(0, act.minutes);
        this.ranMinutes = 0;
        this.account.waited(act.minutes);
        return {};
      case "night":
        this.engine.night();
        this.ranMinutes = 0;
        this.account.night();
        return {};
      case "repair":
        return this.repair(act.id);
      case "give-up":
        this.end = "given-up";
        return {};
    }
  }

  private ran({ isRed }: { isRed: boolean }): Pick<Done, "words"> {
    return isRed ? { words: "It was stopped: the dial was in the red." } : {};
  }

  /** Runs it, somebody beside it who goes by the dial; or by the port, where it is stopped at so much. */
  private heated(rpm: number, minutes: number, stopC = Number.POSITIVE_INFINITY) {
    this.lookedFirst();
    const went = this.engine.go(rpm, minutes, () => this.engine.believedC >= stopC);
    if (this.engine.believedC >= stopC) this.engine.stop();
    this.ranMinutes += went.minutes;
    this.account.worked(went.minutes);
    return went;
  }

  /** Notes what nobody should do: an engine run before its level was looked at. */
  private lookedFirst(): void {
    if (!this.hasLooked) this.account.isUnlooked = true;
  }

  private warmUpCard(): WarmUpCard {
    const { thermostatOpensC, fanOnC, fanSenses } = benchCar(this.hidden.carKey).card;
    const { fans, opensC } = faultyCar(this.hidden.carKey, []);
    return {
      opensC: thermostatOpensC ?? opensC,
      startsC: fanOnC[0] ?? fans[0]?.onC,
      feels: fanSenses,
    };
  }

  private test(id: string): Pick<Done, "outcome" | "words"> {
    const test = this.tests.find((each) => each.id === id);
    if (!test) throw new RangeError(`“${id}” is no test of this car.`);
    if (this.isTested(id)) throw new RangeError(`“${test.name}” was done already; its result stands.`);
    this.account.tests++;
    if (id === "level") this.hasLooked = true;
    if (test.engine === "heats") return this.warmingTest(test);
    this.warmUp = undefined;
    if (test.engine === "hot") return this.hotTest(test);
    this.account.worked(test.minutes);
    if (test.engine === "cold" && this.engine.blockC > COLD_TO_C) return this.coldTestDoneHot(test);
    return this.standing(test);
  }

  /** Time goes by while somebody is at it, and the engine stands or goes as it was left. */
  private standing(test: TestKnowledge): Pick<Done, "outcome"> {
    this.engine.stop();
    const stages = this.engine.stages;
    this.engine.go(0, test.minutes);
    if (test.id === "fan-cold") return this.told(test, stages > 0 ? "turns" : "still");
    return this.told(test, this.handbook(test));
  }

  private coldTestDoneHot(test: TestKnowledge): Pick<Done, "outcome" | "words"> {
    const opens = test.hazards.includes("pressure");
    if (opens && !this.isSafeToOpen) this.account.opened(test.name, this.engine.blockC);
    const fan = this.engine.stages > 0 ? "turns" : "still";
    this.engine.go(0, test.minutes);
    const words = opens && !this.isSafeToOpen ? "The cap was opened hot: it scalds." : "It was not cold.";
    // Hot coolant stands higher, a hot sensor is no witness of the room, and a fan may have its reason.
    const misread = { level: "line", "live-cold": "apart", "fan-cold": fan }[test.id];
    return { ...this.told(test, misread ?? this.handbook(test)), words };
  }

  private hotTest(test: TestKnowledge): Pick<Done, "outcome" | "words"> {
    const isRun = test.hazards.includes("engine running");
    if (!this.isHotEnough) {
      this.account.worked(test.minutes);
      this.engine.go(0, test.minutes);
      return { words: "It isn't hot enough for that to say anything. Warm it up and do it then." };
    }
    if (!isRun) {
      this.account.worked(test.minutes);
      this.engine.stop();
      this.engine.go(0, test.minutes);
      return this.told(test, this.handbook(test));
    }
    const stopC = test.stopC ?? MOST_HOT_C;
    if (this.engine.believedC >= stopC) {
      this.engine.stop();
      return { words: `At ${stopC} °C nobody runs it for that. Let it stand first.` };
    }
    this.heated(IDLE_RPM, test.minutes, stopC);
    return test.id === "gauge" ? this.gaugeTest(test) : this.told(test, this.handbook(test));
  }

  /** The dial beside the port: what it is off by is seen, either way. */
  private gaugeTest(test: TestKnowledge): Pick<Done, "outcome" | "words"> {
    const offC = this.engine.gaugeOffC;
    const [dialC, liveC] = [this.engine.seen().gaugeC, Math.round(this.engine.liveC)];
    if (offC <= -APART_C) return { words: `Gauge lower: ${dialC} °C on the dial, ${liveC} °C live.` };
    return this.told(test, offC >= APART_C ? "high" : "agree");
  }

  /** What the dial is off by, as long as nobody has put it right, °C. */
  private gaugeOff(): number {
    const lies = this.isGaugeRight ? 0 : this.hidden.gaugeOffC;
    return lies + (this.left.includes(GAUGE_HIGH) ? GAUGE_HIGH_C : 0);
  }

  /** The tests of one warm-up from cold are had together, the later ones along with the first. */
  private warmingTest(test: TestKnowledge): Pick<Done, "outcome" | "words"> {
    const isAlong = this.warmUp !== undefined;
    if (!isAlong && this.engine.blockC > COLD_TO_C) {
      this.account.worked(this.rates.alongMinutes ?? 0);
      return { words: "It was warm already: what it shows from cold is over. Let it stand a night first." };
    }
    this.lookedFirst();
    this.warmUp ??= new WarmUp(this.engine, this.warmUpCard());
    const minutes = this.warmUp.on(test.stopC ?? MOST_HOT_C);
    this.account.worked(minutes + (isAlong ? (this.rates.alongMinutes ?? 0) : 0));
    this.ranMinutes += minutes;
    const outcome = test.id === "bubbles" ? this.handbook(test) : this.warmUp.shown[test.id as "warm-up"];
    if (outcome === undefined) return { words: "It never came so far that this could be told." };
    const isOwn = test.id === "warm-up" && this.left.some((fault) => isOneFans(this.circuit, fault));
    return this.told(test, isOwn ? this.handbook(test) : outcome);
  }

  private handbook(test: TestKnowledge): string {
    const chance = this.hidden.level === 1 ? undefined : `${this.hidden.seed} ${this.helped}`;
    return handbookResult(this.circuit, test.id, this.left, chance);
  }

  private told(test: TestKnowledge, outcome: string): Pick<Done, "outcome"> {
    this.evidence.push({ test: test.id, outcome });
    return { outcome };
  }

  private repair(id: string): Pick<Done, "words"> {
    const repair = REPAIRS.find((each) => each.id === id);
    if (!repair || this.fixesHere(repair).length === 0)
      throw new RangeError(`“${id}” is no repair of this car.`);
    if (id === HAND_BACK) return this.handBack(repair);
    if (this.mended.includes(id)) throw new RangeError(`“${repair.name}” was done already, in vain.`);
    this.mended.push(id);
    const isWet = repair.hazards.includes("pressure");
    if (isWet && !this.isSafeToOpen) this.account.opened(repair.name, this.engine.blockC);
    this.account.repaired(repair, this.rates);
    this.engine.stop();
    this.engine.go(0, repair.minutes);
    const fixed = this.left.filter((fault) => repair.fixes.includes(fault));
    const wasLying = repair.fixes.includes(GAUGE_HIGH) && !this.isGaugeRight && this.hidden.gaugeOffC !== 0;
    if (repair.fixes.includes(GAUGE_HIGH)) this.isGaugeRight = true;
    this.left = this.left.filter((fault) => !fixed.includes(fault));
    this.engine.become(faultyCar(this.hidden.carKey, this.left), isWet);
    this.engine.gaugeOffC = this.gaugeOff();
    this.engine.go(IDLE_RPM, RECHECK_RUN_MINUTES, () => this.engine.believedC >= MOST_HOT_C);
    const isTooHot = this.engine.believedC >= MOST_HOT_C;
    this.engine.stop();
    this.ranMinutes += RECHECK_RUN_MINUTES;
    const red = isTooHot ? ` At ${MOST_HOT_C} °C the recheck was ended.` : "";
    if (fixed.length === 0) {
      this.ruledOut.push(...this.fixesHere(repair));
      if (wasLying) return { words: `The dial tells the truth now. The trouble is the same.${red}` };
      this.account.wrongRepairs++;
      return { words: `Rechecked: no change.${red}` };
    }
    if (this.left.length === 0) {
      this.end = "found";
      return { words: "Rechecked: the trouble is gone." };
    }
    this.helped++;
    this.mended = [];
    this.evidence = [];
    this.ruledOut = this.fixesHere(repair);
    return {
      words: `Rechecked: better, and not right yet: ${TROUBLES[this.trouble]}. What was seen before tells of another car.${red}`,
    };
  }

  /** What it puts right on this car. */
  private fixesHere({ fixes }: RepairKnowledge): string[] {
    return hypothesesOf(this.circuit).flatMap(({ id }) => (fixes.includes(id) ? [id] : []));
  }

  private handBack(repair: RepairKnowledge): Pick<Done, "words"> {
    this.end = "handed-back";
    this.account.handedBack(repair, this.left, this.rates);
    return { words: this.left.length === 0 ? "It stayed away." : "It came back." };
  }

  /** Whether all was found, and nothing else was changed for it. */
  get isRight(): boolean {
    const isMended = this.left.length === 0 && this.end !== "given-up";
    return isMended && this.end !== undefined && this.account.wrongRepairs === 0;
  }

  /** What is still wrong with it. */
  get stillWrong(): readonly string[] {
    return this.left.length > 0 ? this.left : [NOTHING_WRONG];
  }
}

/** Plays acts one after another. Throws a RangeError for the first that can't be. */
export function playRound(
  hidden: Hidden,
  acts: readonly PracticeAct[],
  rates: Rates = USUAL_RATES,
): PracticeRound {
  const round = new PracticeRound(hidden, rates);
  for (const act of acts) round.act(act);
  return round;
}
