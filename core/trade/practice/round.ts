import { HAND_BACK } from "../diagnosis/index.ts";
import {
  type Circuit,
  hypothesesOf,
  REPAIRS,
  type RepairKnowledge,
  type TestKnowledge,
  TROUBLES,
  type Trouble,
  testsOf,
} from "../diagnosis/knowledge/index.ts";
import { Account } from "./account.ts";
import type { PracticeAct } from "./acts.ts";
import { AtTheCar, MOST_HOT_C, type Said } from "./at-the-car.ts";
import { PracticeEngine } from "./engine.ts";
import { faultyCar } from "./faulty-car.ts";
import { circuitOfCar, type Hidden } from "./hidden.ts";

/** What came of one act. */
export interface Done extends Said {
  act: PracticeAct;
  /** When it was over, minutes from the beginning. */
  minute: number;
}

const GAUGE_HIGH = "gauge-high";
/** A dial with that fault stands so much too high, °C. */
const GAUGE_HIGH_C = 12;

/** One round of practice: a car with something hidden in it, and all that is done with it. Plain acts in, the same acts the same round. */
export class PracticeRound {
  readonly circuit: Circuit;
  readonly done: Done[] = [];
  readonly account = new Account();
  /** Results that still tell of the car as it is; each test once. */
  evidence: { test: string; outcome: string }[] = [];
  /** What a repair in vain, or one that helped, has ruled out. */
  ruledOut: string[] = [];
  end: "found" | "handed-back" | "given-up" | undefined;
  private readonly engine: PracticeEngine;
  private readonly car: AtTheCar;
  private readonly tests: readonly TestKnowledge[];
  private left: string[];
  /** Repairs that helped so far: the car is another one after each; and how many acts were done on those before. */
  private helped = 0;
  private doneBefore = 0;
  /** Repairs done on the car as it is. */
  private mended: string[] = [];
  /** The dial was put right. */
  private isGaugeRight = false;

  constructor(readonly hidden: Hidden) {
    this.circuit = circuitOfCar(hidden.carKey);
    this.tests = testsOf(this.circuit);
    this.left = [...hidden.faults];
    this.engine = new PracticeEngine(faultyCar(hidden.carKey, this.left), hidden.seed);
    this.engine.gaugeOffC = this.gaugeOff();
    const now = () => ({ faults: this.left, helped: this.helped });
    this.car = new AtTheCar(hidden, this.circuit, this.engine, this.account, now);
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

  /** How the engine stands, as whoever plans sees it: `AtTheCar`. */
  get standing(): Pick<AtTheCar, "heat" | "isHotEnough" | "isTooHotToRun" | "isSafeToOpen"> {
    return this.car;
  }

  isTested(test: string): boolean {
    return this.evidence.some((each) => each.test === test);
  }

  /** What came of a test last, on the car as it is: what was seen of another tells nothing of this one. */
  resultOf(test: string): Done | undefined {
    return this.done.slice(this.doneBefore).findLast(({ act }) => act.do === "test" && act.id === test);
  }

  /** Throws a RangeError for what this car doesn't have, a test done already, and for anything after the end. */
  act(act: PracticeAct): Done {
    if (this.end) throw new RangeError("This round is over.");
    const helped = this.helped;
    const said = this.doing(act);
    this.account.peakC = this.engine.peakC;
    this.account.hasBoiled = this.engine.hasBoiled;
    const done: Done = { act, minute: this.engine.minute, ...said };
    this.done.push(done);
    if (this.helped > helped) this.doneBefore = this.done.length;
    return done;
  }

  /** Whether all was found, and nothing else was changed for it. */
  get isRight(): boolean {
    const isOver = this.end === "found" || this.end === "handed-back";
    return isOver && this.left.length === 0 && this.account.wrongRepairs === 0;
  }

  /** What is still wrong with it. */
  get stillWrong(): readonly string[] {
    return this.left;
  }

  private doing(act: PracticeAct): Said {
    switch (act.do) {
      case "test":
        return this.test(act.id);
      case "run":
        return this.car.run(act.rpm, act.minutes);
      case "wait":
        return this.car.wait(act.minutes);
      case "night":
        return this.car.night();
      case "repair":
        return this.repair(act.id);
      case "give-up":
        this.end = "given-up";
        return {};
    }
  }

  private test(id: string): Said {
    const test = this.tests.find((each) => each.id === id);
    if (!test) throw new RangeError(`“${id}” is no test of this car.`);
    if (this.isTested(id)) throw new RangeError(`“${test.name}” was done already; its result stands.`);
    const said = this.car.test(test);
    if (said.outcome !== undefined) this.evidence.push({ test: id, outcome: said.outcome });
    return said;
  }

  /** What the dial is off by, as long as nobody has put it right, °C. */
  private gaugeOff(): number {
    const lies = this.isGaugeRight ? 0 : this.hidden.gaugeOffC;
    return lies + (this.left.includes(GAUGE_HIGH) ? GAUGE_HIGH_C : 0);
  }

  private repair(id: string): Said {
    const repair = REPAIRS.find((each) => each.id === id);
    if (!repair || this.fixesHere(repair).length === 0)
      throw new RangeError(`“${id}” is no repair of this car.`);
    if (id === HAND_BACK) return this.handBack(repair);
    if (this.mended.includes(id)) throw new RangeError(`“${repair.name}” was done already, in vain.`);
    this.mended.push(id);
    const isWet = repair.hazards.includes("pressure");
    if (isWet && !this.car.isSafeToOpen) this.account.opened(repair.name, this.engine.blockC);
    this.account.repaired(repair);
    const wasLying = repair.fixes.includes(GAUGE_HIGH) && !this.isGaugeRight && this.hidden.gaugeOffC !== 0;
    const fixed = this.left.filter((fault) => repair.fixes.includes(fault));
    const { isTooHot } = this.car.repaired(repair.minutes, () => {
      if (repair.fixes.includes(GAUGE_HIGH)) this.isGaugeRight = true;
      this.left = this.left.filter((fault) => !fixed.includes(fault));
      this.engine.become(faultyCar(this.hidden.carKey, this.left), isWet);
      this.engine.gaugeOffC = this.gaugeOff();
    });
    return this.rechecked(
      repair,
      fixed,
      wasLying,
      isTooHot ? ` At ${MOST_HOT_C} °C the recheck was ended.` : "",
    );
  }

  private rechecked(repair: RepairKnowledge, fixed: string[], wasLying: boolean, hot: string): Said {
    if (fixed.length === 0) {
      this.ruledOut.push(...this.fixesHere(repair));
      if (wasLying) return { words: `The dial tells the truth now. The trouble is the same.${hot}` };
      this.account.wrongRepairs++;
      return { words: `Rechecked: no change.${hot}` };
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
      words: `Rechecked: better, and not right yet: ${TROUBLES[this.trouble]}. What was seen before tells of another car.${hot}`,
    };
  }

  /** What it puts right on this car. */
  private fixesHere({ fixes }: RepairKnowledge): string[] {
    return hypothesesOf(this.circuit).flatMap(({ id }) => (fixes.includes(id) ? [id] : []));
  }

  private handBack(repair: RepairKnowledge): Said {
    this.end = "handed-back";
    this.account.handedBack(repair, this.left);
    return { words: this.left.length === 0 ? "It stayed away." : "It came back." };
  }
}

/** Plays acts one after another. Throws a RangeError for the first that can't be. */
export function playRound(hidden: Hidden, acts: readonly PracticeAct[]): PracticeRound {
  const round = new PracticeRound(hidden);
  for (const act of acts) round.act(act);
  return round;
}
