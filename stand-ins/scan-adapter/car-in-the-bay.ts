import {
  BLOCKS,
  codeBytes,
  hexOf,
  type PortRequest,
  QUANTITIES,
  QUANTITY_NAMES,
  type QuantityName,
  requestLine,
  supportBytes,
  valueLine,
} from "../../core/trade/port/index.ts";
import {
  type Script,
  type ScriptStep,
  stillAt,
  type ThermalCar,
  ThermalRun,
  withFaults,
} from "../../core/trade/thermal/index.ts";

/** A car that an adapter can be plugged into. */
export interface PortCar {
  car: ThermalCar;
  /** What its computer doesn't tell. */
  lacks?: readonly QuantityName[];
  /** Whether a tester may run its fan. */
  takesCommands?: boolean;
}

/** What a computer notes of a fault that it can see. */
const NOTED: Readonly<Record<string, string>> = {
  "sensor-open": "P0118",
  "sensor-plug": "P0118",
  "sensor-short": "P0117",
  "thermostat-open": "P0128",
  "control-wire": "P0480",
  "relay-coil": "P0480",
};
/** So long after it was cleared, a computer has seen the same again, s. */
const SEEN_AGAIN_S = 120;
/** Longer than that nobody's engine runs in a bay, s of the car's own time. */
const LONGEST_S = 8 * 3600;
const NO_DATA = "no data";

/** A simulated car whose time runs `pace` times as fast as the clock, seen through its port. */
export class CarInTheBay {
  private readonly run: ThermalRun;
  private readonly notes: readonly string[];
  private readonly has: ReadonlySet<number>;
  private clearedS = Number.NEGATIVE_INFINITY;
  private pedal: number | undefined;
  private step: ScriptStep | undefined;

  /** Throws a RangeError for a fault that nobody knows. */
  constructor(
    private readonly given: PortCar,
    faults: readonly string[],
    private readonly script: Script,
    private readonly beganMs: number,
    readonly pace: number,
    seed: number,
  ) {
    const { ambientC, startC = ambientC, altitudeM } = script;
    const terms = { startC, seed, ...(altitudeM !== undefined && { altitudeM }) };
    this.run = new ThermalRun(withFaults(given.car, faults), terms);
    this.notes = [...new Set(faults.flatMap((fault) => NOTED[fault] ?? []))];
    this.has = new Set(
      QUANTITY_NAMES.filter((name) => !given.lacks?.includes(name)).map((name) => QUANTITIES[name].pid),
    );
  }

  /** Holds the pedal so that it turns so fast; nothing lets it go to what the script says. */
  hold(rpm: number | undefined): void {
    this.pedal = rpm;
    this.step = undefined;
  }

  /** Its answer to a request at that time of the clock. */
  answer(request: PortRequest, nowMs: number): string {
    this.catchUp(nowMs);
    switch (request.ask) {
      case "value":
        return this.has.has(QUANTITIES[request.of].pid)
          ? valueLine(request.of, this.values()[request.of])
          : NO_DATA;
      case "supported": {
        const isThere = request.block === BLOCKS[0] || [...this.has].some((pid) => pid > request.block);
        return isThere ? hexOf([0x41, request.block, ...supportBytes(request.block, this.has)]) : NO_DATA;
      }
      case "codes": {
        const codes = this.run.atS - this.clearedS > SEEN_AGAIN_S ? this.notes : [];
        return hexOf([0x43, codes.length, ...codes.flatMap(codeBytes)]);
      }
      case "clear":
        this.clearedS = this.run.atS;
        return "44";
      case "fan":
        if (!this.given.takesCommands) return "7F 2F 22";
        this.run.command(request.isOn);
        return `6F${requestLine(request).slice(2)}`;
    }
  }

  private values(): Record<QuantityName, number> {
    const { coolantC, intakeC, rpm } = this.run.reading();
    const { kmh = 0, ambientC = this.script.ambientC } = this.step ?? {};
    const fans = this.run.state().stages;
    return {
      coolantC,
      intakeC,
      rpm,
      kmh,
      throttlePercent: rpm === 0 ? 0 : 9 + rpm / 250,
      volts: rpm === 0 ? 12.4 : 14.1 - 0.25 * fans,
      ambientC: this.step?.ambientC ?? ambientC,
    };
  }

  /** What the script says at that second of the car; behind its end as at it. */
  private stepAt(s: number): ScriptStep {
    let until = 0;
    for (const step of this.script.steps) {
      until += step.minutes * 60;
      if (s < until) return step;
    }
    return this.script.steps.at(-1) ?? { minutes: 1, rpm: 0 };
  }

  private catchUp(nowMs: number): void {
    const untilS = Math.min(LONGEST_S, ((nowMs - this.beganMs) / 1000) * this.pace);
    while (this.run.atS < untilS) {
      const step = this.stepAt(this.run.atS);
      if (step !== this.step) {
        this.step = step;
        const conditions = stillAt(this.script.ambientC, step);
        this.run.put({ ...conditions, rpm: this.pedal ?? conditions.rpm });
      }
      this.run.advance();
    }
  }
}
