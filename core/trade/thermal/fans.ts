import type { FanStage } from "./fan-stages.ts";
import { type Conditions, SENSOR, TANK_SENSOR } from "./heat-flows.ts";
import type { ThermalCar } from "./thermal-car.ts";

/** Fans as their sensor switches them; what it crosses within a step is found to a fraction of it. */
export class Fans {
  /** That a tester commands the first stage to run. */
  isCommanded = false;
  private readonly isOn: boolean[];

  constructor(private readonly car: ThermalCar) {
    this.isOn = car.fans.map((_, stage) => car.heldFans.includes(stage));
  }

  /** Those of another car, each as it runs now. */
  of(car: ThermalCar): Fans {
    const fans = new Fans(car);
    fans.isCommanded = this.isCommanded;
    for (const [stage, isOn] of this.isOn.entries())
      if (stage < fans.isOn.length) fans.isOn[stage] = isOn || car.heldFans.includes(stage);
    return fans;
  }

  feltAt(y: Float64Array): number {
    const { fanSenses, sensorBiasC } = this.car;
    return fanSenses === "radiator" ? (y[TANK_SENSOR] as number) : (y[SENSOR] as number) + sensorBiasC;
  }

  /** Air that they draw, kg/s: a stage replaces the one below it. */
  airKgS({ isCooling }: Conditions): number {
    let most = 0;
    for (const [stage, { airKgS }] of this.car.fans.entries())
      if (this.runs(stage, isCooling) && airKgS > most) most = airKgS;
    return most;
  }

  count({ isCooling }: Conditions): number {
    return this.car.fans.filter((_, stage) => this.runs(stage, isCooling)).length;
  }

  private runs(stage: number, isCooling: boolean): boolean {
    const { deadFans, heldFans } = this.car;
    if (deadFans.includes(stage)) return false;
    return (
      this.isOn[stage] === true ||
      heldFans.includes(stage) ||
      ((isCooling || this.isCommanded) && stage === 0)
    );
  }

  /** The first stage that switches between two felt temperatures, and which share of the way there. */
  crossing(before: number, after: number): { stage: number; share: number } | undefined {
    const { fans } = this.car;
    let first: { stage: number; share: number } | undefined;
    for (let stage = 0; stage < fans.length; stage++) {
      const { onC, offC } = fans[stage] as FanStage;
      const isOn = this.isOn[stage];
      const edge = isOn ? offC : onC;
      if (isOn ? after >= edge : after < edge) continue;
      if (this.car.heldFans.includes(stage)) continue;
      const share = before === after ? 0 : Math.min(1, Math.max(0, (edge - before) / (after - before)));
      if (!first || share < first.share) first = { stage, share };
    }
    return first;
  }

  /** Switches a stage; whether its fan really starts or stops by that. */
  toggle(stage: number): { isOn: boolean; isHeard: boolean } {
    this.isOn[stage] = !this.isOn[stage];
    return { isOn: this.isOn[stage] === true, isHeard: !this.car.deadFans.includes(stage) };
  }
}
