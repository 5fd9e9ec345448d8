import { seededRandom } from "../../kernel/chance/index.ts";
import { Fans } from "./fans.ts";
import {
  BLOCK,
  type Conditions,
  FIGURES,
  HeatFlows,
  IN_KJ,
  LIFT,
  LITRES,
  METAL,
  OUT_KJ,
  RADIATOR,
  SENSOR,
  TANK_SENSOR,
} from "./heat-flows.ts";
import { stepper } from "./runge-kutta.ts";
import type { ThermalCar } from "./thermal-car.ts";

export interface ThermalEvent {
  kind: "thermostat-opens" | "fan-on" | "fan-off" | "boils";
  atS: number;
  /** What its sensor felt, unrounded, °C. */
  coolantC: number;
  stage?: number;
}

/** What a diagnostic port tells at a moment: whole degrees C, turns a minute. */
export interface PortReading {
  coolantC: number;
  intakeC: number;
  rpm: number;
  radiatorOutC: number;
}

/** What is really so at a moment; `lift` is how far the thermostat is open, 0 to 1, `stages` how many of the fan run. */
export interface ThermalState {
  metalC: number;
  blockC: number;
  radiatorC: number;
  lift: number;
  stages: number;
  airKgS: number;
  engineKW: number;
  radiatorKW: number;
  heaterKW: number;
  litres: number;
}

/** So far open, all that flows through the upper hose comes from the block. */
const FLOWS = 0.1;

/** How hot the upper hose is, °C: as the block where the thermostat lets it through, as the radiator behind a shut one. */
export const upperHoseC = ({ blockC, radiatorC, lift }: ThermalState): number =>
  radiatorC + (blockC - radiatorC) * Math.min(1, lift / FLOWS);

export interface RunTerms {
  altitudeM?: number;
  startC: number;
  dtS?: number;
  seed?: number;
  isExact?: boolean;
}

/** So far up it has begun to open: the curve bends there, however slowly it goes on. */
const OPENED = 0.015;
const JITTERS = 0.12;
const INTAKE_WARMS_C = 8;
const INTAKE_WARMS_S = 900;

/** Beyond this it counts as open: more than what it never shuts off. */
const openedFrom = ({ leastLift }: ThermalCar) => Math.max(OPENED, leastLift + 0.005);

/** A car whose cooling system runs on, step after step, under whatever it is put through as it goes. Units as in `simulate`. */
export class ThermalRun {
  readonly events: ThermalEvent[] = [];
  private flows: HeatFlows;
  private fans: Fans;
  private step: (y: Float64Array, dt: number) => void;
  private readonly random: () => number;
  private readonly y: Float64Array;
  private readonly kept = new Float64Array(FIGURES);
  private readonly seen = new Float64Array(FIGURES);
  private readonly dtS: number;
  private readonly isExact: boolean;
  private readonly altitudeM: number;
  private heldAtFirstKJ: number;
  private opened: number;
  private now: Conditions;
  private at = 0;
  private runS = 0;
  private isOpen = false;
  private isBoiling = false;

  /** Throws a RangeError for a step outside 0.01 to 1 s. The car has its faults already. */
  constructor(
    private car: ThermalCar,
    { altitudeM = 0, startC, dtS = 0.1, seed = 1, isExact = false }: RunTerms,
  ) {
    if (!(dtS >= 0.01 && dtS <= 1)) throw new RangeError(`A step of ${dtS} s: 0.01 to 1 can be.`);
    this.flows = new HeatFlows(car, altitudeM);
    this.altitudeM = altitudeM;
    this.fans = new Fans(car);
    this.step = stepper(this.flows);
    this.random = seededRandom(seed);
    this.dtS = dtS;
    this.isExact = isExact;
    this.opened = openedFrom(car);
    this.y = new Float64Array(FIGURES).fill(startC, METAL, TANK_SENSOR + 1);
    this.y[LIFT] = car.leastLift;
    this.y[LITRES] = car.litres;
    this.y[IN_KJ] = 0;
    this.y[OUT_KJ] = 0;
    this.heldAtFirstKJ = this.flows.heldKJ(this.y);
    this.now = { ambientC: startC, rpm: 0, kmh: 0, loadKW: 0, heater: 0, isCooling: false };
    this.put(this.now);
  }

  /** Seconds since it began. */
  get atS(): number {
    return this.at * this.dtS;
  }

  get boilsC(): number {
    return this.flows.boilsC;
  }

  /**
   * Another car from now on, as hot as this one: a fault that comes or goes while it runs. Coolant is lost where it holds less;
   * `fill` puts it back.
   */
  become(car: ThermalCar): void {
    const { y } = this;
    const before = this.flows.heldKJ(y);
    y[LITRES] = Math.min(y[LITRES] as number, car.litres);
    this.car = car;
    this.flows = new HeatFlows(car, this.altitudeM);
    this.heldAtFirstKJ += this.flows.heldKJ(y) - before;
    this.fans = this.fans.of(car);
    this.step = stepper(this.flows);
    this.opened = openedFrom(car);
    this.isOpen = (y[LIFT] as number) > this.opened;
    this.put(this.now);
  }

  /** Coolant filled up to so many litres, as warm as what is in it. */
  fill(litres: number): void {
    const before = this.flows.heldKJ(this.y);
    this.y[LITRES] = litres;
    this.heldAtFirstKJ += this.flows.heldKJ(this.y) - before;
  }

  /** What it goes through from now on. */
  put(now: Conditions): void {
    this.now = now;
    this.flows.through(now, this.fans.airKgS(now));
  }

  /** Runs the first stage by command, or lets it go again; a fan that is dead doesn't heed it. */
  command(isOn: boolean): void {
    this.fans.isCommanded = isOn;
    this.put(this.now);
  }

  /** One step on. */
  advance(): void {
    this.go(this.atS, this.dtS);
    this.at++;
    this.runS = this.now.rpm > 0 ? this.runS + this.dtS : 0;
    const { y } = this;
    if (!this.isOpen && (y[LIFT] as number) > this.opened) {
      this.isOpen = true;
      this.happens("thermostat-opens", this.atS, this.shown());
    }
    if (!this.isBoiling && (y[BLOCK] as number) > this.boilsC) {
      this.isBoiling = true;
      this.happens("boils", this.atS, this.shown());
    }
  }

  /** As a port tells it now, jittering as sensors do. */
  reading(): PortReading {
    const { y, now, isExact } = this;
    const jitter = isExact || this.random() >= JITTERS ? 0 : this.random() < 0.5 ? -1 : 1;
    const rough = (value: number) => (isExact ? value : Math.round(value));
    const intake = now.ambientC + INTAKE_WARMS_C * (1 - Math.exp(-this.runS / INTAKE_WARMS_S));
    return {
      coolantC: this.car.sensorShowsC ?? rough(this.shown()) + jitter,
      intakeC: rough(intake),
      rpm: now.rpm === 0 ? 0 : Math.round(now.rpm + (isExact ? 0 : 24 * (this.random() - 0.5))),
      radiatorOutC: rough(y[RADIATOR] as number),
    };
  }

  state(): ThermalState {
    const { y, flows } = this;
    flows.rates(y, this.seen);
    return {
      metalC: y[METAL] as number,
      blockC: y[BLOCK] as number,
      radiatorC: y[RADIATOR] as number,
      lift: y[LIFT] as number,
      stages: this.fans.count(this.now),
      airKgS: flows.airKgS,
      engineKW: flows.engineKW,
      radiatorKW: flows.radiatorKW,
      heaterKW: flows.heaterKW,
      litres: y[LITRES] as number,
    };
  }

  /** Heat that came in and went out since it began, and what is held more than then, kJ. */
  energy(): { inKJ: number; outKJ: number; storedKJ: number } {
    const { y } = this;
    return {
      inKJ: y[IN_KJ] as number,
      outKJ: y[OUT_KJ] as number,
      storedKJ: this.flows.heldKJ(y) - this.heldAtFirstKJ,
    };
  }

  /** The sensor's own value before it is rounded. */
  private shown(): number {
    return (this.y[SENSOR] as number) + this.car.sensorBiasC;
  }

  private happens(kind: ThermalEvent["kind"], atS: number, coolantC: number, stage?: number): void {
    this.events.push({ kind, atS, coolantC, ...(stage !== undefined && { stage: stage + 1 }) });
  }

  /** So much on, cut where a fan switches on the way. */
  private go(s: number, dt: number, goes = 0): void {
    const { y, fans, now } = this;
    this.kept.set(y);
    const before = fans.feltAt(y);
    this.step(y, dt);
    const crossed = goes < 8 ? fans.crossing(before, fans.feltAt(y)) : undefined;
    if (!crossed) return;
    y.set(this.kept);
    const part = dt * crossed.share;
    if (part > 0) this.step(y, part);
    const { isOn, isHeard } = fans.toggle(crossed.stage);
    this.flows.through(now, fans.airKgS(now));
    const isCalled = (now.isCooling || fans.isCommanded) && crossed.stage === 0;
    if (isHeard && !isCalled)
      this.happens(isOn ? "fan-on" : "fan-off", s + part, fans.feltAt(y), crossed.stage);
    if (dt - part > 1e-9) this.go(s + part, dt - part, goes + 1);
  }
}
