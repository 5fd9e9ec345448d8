import { benchCar } from "../bench/index.ts";
import { type Circuit, type TestKnowledge, USUAL_RATES } from "../diagnosis/knowledge/index.ts";
import { CAP_OPENS_C } from "../limits/index.ts";
import type { Account } from "./account.ts";
import type { PracticeEngine } from "./engine.ts";
import { faultyCar, isOneFans } from "./faulty-car.ts";
import type { Hidden } from "./hidden.ts";
import { handbookResult } from "./results.ts";
import { WarmUp, type WarmUpCard } from "./warm-up.ts";

/** What something at the car said: the outcome of a test that could say something, and what there is to say beside it. */
export interface Said {
  outcome?: string;
  words?: string;
}

/** Below it an engine is too cold for what wants a hot one, °C, unless it has run so long and gets no hotter. */
const HOT_FROM_C = 62;
const HOT_ANYHOW_MINUTES = 20;
/** Above it an engine is too hot for what wants a cold one, °C. */
const COLD_TO_C = 45;
/** At this of its own sensor an engine is switched off, where a test says nothing else, °C. */
export const MOST_HOT_C = 112;
const IDLE_RPM = 800;
const RECHECK_RUN_MINUTES = 20;
/** From so far apart on a dial is seen to be off beside the port, °C. */
const APART_C = 5;
const ALONG_MINUTES = USUAL_RATES.alongMinutes ?? 0;

/** What is so of the car just now that no act tells. */
export interface CarNow {
  faults: readonly string[];
  /** Repairs that helped so far: it is another car after each. */
  helped: number;
}

/** What is done at the car with its engine: tests, heat, and standing. */
export class AtTheCar {
  private ranMinutes = 0;
  /** Somebody has looked at the level, cold or not. */
  private hasLooked = false;
  /** Where what is going on is one warm-up from cold. */
  private warmUp: WarmUp | undefined;

  constructor(
    private readonly hidden: Hidden,
    private readonly circuit: Circuit,
    private readonly engine: PracticeEngine,
    private readonly account: Account,
    private readonly now: () => CarNow,
  ) {}

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

  /** Whether its cap may be opened: nobody in practice sees it, the account does. */
  get isSafeToOpen(): boolean {
    return this.engine.blockC <= CAP_OPENS_C;
  }

  /** Runs it as somebody likes, who goes by the dial. */
  run(rpm: number, minutes: number): Said {
    this.warmUp = undefined;
    return this.heated(rpm, minutes).isRed ? { words: "It was stopped: the dial was in the red." } : {};
  }

  wait(minutes: number): Said {
    this.engine.stop();
    this.engine.go(0, minutes);
    this.cooled();
    this.account.waited(minutes);
    return {};
  }

  night(): Said {
    this.engine.night();
    this.cooled();
    this.account.night();
    return {};
  }

  /** A repair and its recheck, which ends where the port says that it is too hot. Whether it was. */
  repaired(minutes: number, mend: () => void): { isTooHot: boolean } {
    this.warmUp = undefined;
    this.engine.stop();
    this.engine.go(0, minutes);
    mend();
    const went = this.engine.go(IDLE_RPM, RECHECK_RUN_MINUTES, () => this.engine.believedC >= MOST_HOT_C);
    const isTooHot = this.engine.believedC >= MOST_HOT_C;
    this.engine.stop();
    this.ranMinutes = went.minutes;
    return { isTooHot };
  }

  test(test: TestKnowledge): Said {
    this.account.tests++;
    if (test.id === "level") this.hasLooked = true;
    if (test.engine === "heats") return this.warmingTest(test);
    this.warmUp = undefined;
    if (test.engine === "hot") return this.hotTest(test);
    this.account.worked(test.minutes);
    if (test.engine === "cold" && this.engine.blockC > COLD_TO_C) return this.coldTestDoneHot(test);
    const fan = this.fanNow();
    this.engine.go(0, test.minutes);
    return { outcome: test.id === "fan-cold" ? fan : this.handbook(test) };
  }

  private cooled(): void {
    this.warmUp = undefined;
    this.ranMinutes = 0;
  }

  /** Somebody is beside it who goes by the dial; or by the port, where it is stopped at so much. */
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

  private fanNow(): string {
    this.engine.stop();
    return this.engine.stages > 0 ? "turns" : "still";
  }

  private coldTestDoneHot(test: TestKnowledge): Said {
    const opens = test.hazards.includes("pressure") && !this.isSafeToOpen;
    if (opens) this.account.opened(test.name, this.engine.blockC);
    const fan = this.fanNow();
    this.engine.go(0, test.minutes);
    // Hot coolant stands higher, a hot sensor is no witness of the room, and a fan may have its reason.
    const misread = { level: "line", "live-cold": "apart", "fan-cold": fan }[test.id];
    return {
      outcome: misread ?? this.handbook(test),
      words: opens ? "The cap was opened hot: it scalds." : "It was not cold.",
    };
  }

  private hotTest(test: TestKnowledge): Said {
    if (!this.isHotEnough) {
      this.account.worked(test.minutes);
      this.engine.go(0, test.minutes);
      return { words: "It isn't hot enough for that to say anything. Warm it up and do it then." };
    }
    if (!test.hazards.includes("engine running")) {
      this.account.worked(test.minutes);
      this.engine.go(0, test.minutes);
      return { outcome: this.handbook(test) };
    }
    const stopC = test.stopC ?? MOST_HOT_C;
    if (this.engine.believedC >= stopC) {
      this.engine.stop();
      return { words: `At ${stopC} °C nobody runs it for that. Let it stand first.` };
    }
    this.heated(IDLE_RPM, test.minutes, stopC);
    return test.id === "gauge" ? this.gaugeTest() : { outcome: this.handbook(test) };
  }

  /** The dial beside the port: what it is off by is seen, either way. */
  private gaugeTest(): Said {
    const { gaugeOffC } = this.engine;
    const [dialC, liveC] = [this.engine.seen().gaugeC, Math.round(this.engine.liveC)];
    if (gaugeOffC <= -APART_C) return { words: `Gauge lower: ${dialC} °C on the dial, ${liveC} °C live.` };
    return { outcome: gaugeOffC >= APART_C ? "high" : "agree" };
  }

  /** The tests of one warm-up from cold are had together, the later ones along with the first. */
  private warmingTest(test: TestKnowledge): Said {
    const isAlong = this.warmUp !== undefined;
    if (!isAlong && this.engine.blockC > COLD_TO_C) {
      this.account.worked(ALONG_MINUTES);
      return { words: "It was warm already: what it shows from cold is over. Let it stand a night first." };
    }
    this.lookedFirst();
    this.warmUp ??= new WarmUp(this.engine, this.warmUpCard());
    const minutes = this.warmUp.on(test.stopC ?? MOST_HOT_C);
    this.account.worked(minutes + (isAlong ? ALONG_MINUTES : 0));
    this.ranMinutes += minutes;
    if (test.id === "bubbles") return { outcome: this.handbook(test) };
    const outcome = this.warmUp.shown[test.id as "warm-up"];
    if (outcome === undefined) return { words: "It never came so far that this could be told." };
    const isOwn = test.id === "warm-up" && this.now().faults.some((each) => isOneFans(this.circuit, each));
    return { outcome: isOwn ? this.handbook(test) : outcome };
  }

  private warmUpCard(): WarmUpCard {
    const { thermostatOpensC, fanOnC, fanSenses } = benchCar(this.hidden.carKey).card;
    const { fans, opensC } = faultyCar(this.hidden.carKey, []);
    return { opensC: thermostatOpensC ?? opensC, startsC: fanOnC[0] ?? fans[0]?.onC, feels: fanSenses };
  }

  private handbook(test: TestKnowledge): string {
    const { faults, helped } = this.now();
    const chance = this.hidden.level === 1 ? undefined : `${this.hidden.seed} ${helped}`;
    return handbookResult(this.circuit, test.id, faults, chance);
  }
}
