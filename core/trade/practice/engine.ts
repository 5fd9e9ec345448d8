import { seededRandom } from "../../kernel/chance/index.ts";
import { SENSOR_OPEN_C, SENSOR_SHORT_C } from "../limits/index.ts";
import { stillAt, type ThermalCar, ThermalRun, type ThermalState, upperHoseC } from "../thermal/index.ts";

/** What one sees and feels of an engine without a tool, and what is really so. */
export interface EngineSeen {
  /** On the dial, °C. */
  gaugeC: number;
  fansRun: boolean;
  /** By hand. */
  upperHose: Felt;
  lowerHose: Felt;
}
export type Felt = "cold" | "warm" | "hot";

/** A figure of the curve that is shown when all is over. */
export interface EngineRow {
  minute: number;
  coolantC: number;
  gaugeC: number;
}

/** Coarser than elsewhere: a dial is read to degrees. */
const STEP_S = 1;
const ROOM_C = 18;
/** After so long off it counts as cold, as it does after a night: so far above the room, °C. */
const COLD_AFTER_MINUTES = 180;
const STANDING_LEAVES_C = 0.5;
const NIGHT_MINUTES = 11 * 60;
/** Somebody beside it stops it there, by the dial, °C. */
export const RED_C = 118;
/** A hand stays on it below the first, and not beyond the second, °C. */
const [WARM_C, HOT_C] = [35, 50];
const ROWS_EVERY_S = 20;

const feltAt = (celsius: number): Felt => (celsius < WARM_C ? "cold" : celsius < HOT_C ? "warm" : "hot");

/** The engine of a car in practice, as it is run, stopped, left standing, and its faults come or go. */
export class PracticeEngine {
  readonly rows: EngineRow[] = [];
  /** Minutes gone since the round began, nights too. */
  minute = 0;
  peakC = ROOM_C;
  hasBoiled = false;
  /** How far the dial stands beside what the port tells, °C. */
  gaugeOffC = 0;
  /** What the port tells, °C. */
  liveC = ROOM_C;
  private run: ThermalRun;
  private state: ThermalState;
  private sinceRowS = 0;

  constructor(
    private car: ThermalCar,
    private readonly seed: number,
  ) {
    this.run = this.startAt(ROOM_C);
    this.state = this.run.state();
    this.note();
  }

  get blockC(): number {
    return this.state.blockC;
  }

  get lift(): number {
    return this.state.lift;
  }

  get stages(): number {
    return this.state.stages;
  }

  get thermalCar(): ThermalCar {
    return this.car;
  }

  /** What somebody goes by who has the port and a thermometer: an absurd value is none. */
  get believedC(): number {
    const { liveC } = this;
    return liveC > SENSOR_OPEN_C && liveC < SENSOR_SHORT_C ? liveC : this.blockC;
  }

  seen(): EngineSeen {
    const { radiatorC, stages } = this.state;
    return {
      gaugeC: Math.round(this.liveC + this.gaugeOffC),
      fansRun: stages > 0,
      upperHose: feltAt(upperHoseC(this.state)),
      lowerHose: feltAt(radiatorC),
    };
  }

  /** Another car from now on, filled up where its coolant was let out. */
  become(car: ThermalCar, isFilled: boolean): void {
    this.car = car;
    this.run.become(car);
    if (isFilled) this.run.fill(car.litres);
    this.read();
  }

  /**
   * Runs it so long at those revs, or lets it stand where they are 0; whether `until` said enough before. What runs is stopped by
   * whoever stands beside it as the dial comes into the red.
   */
  go(rpm: number, minutes: number, until: () => boolean = () => false): { isRed: boolean; minutes: number } {
    this.put(rpm);
    if (rpm === 0 && minutes > COLD_AFTER_MINUTES) {
      this.stand(minutes);
      return { isRed: false, minutes };
    }
    // A dial that was there already says nothing of what is going on.
    const mayRedden = rpm > 0 && this.seen().gaugeC < RED_C;
    const strideS = rpm > 0 ? 1 : ROWS_EVERY_S;
    const seconds = Math.round(minutes * 60);
    for (let s = strideS; s <= seconds; s += strideS) {
      for (let step = 0; step < strideS / STEP_S; step++) this.run.advance();
      this.minute += strideS / 60;
      this.read();
      this.sinceRowS += strideS;
      if (this.sinceRowS >= ROWS_EVERY_S) this.note();
      const isRed = mayRedden && this.seen().gaugeC >= RED_C;
      if (isRed) this.stop();
      if (isRed || until()) return { isRed, minutes: s / 60 };
    }
    return { isRed: false, minutes };
  }

  stop(): void {
    this.put(0);
  }

  /** It stands until the morning. */
  night(): void {
    this.put(0);
    this.stand(NIGHT_MINUTES);
  }

  private put(rpm: number): void {
    this.run.put(stillAt(ROOM_C, { rpm }));
    this.state = this.run.state();
  }

  /** So long that it is as cold as the room, with what coolant was left in it. */
  private stand(minutes: number): void {
    const { litres } = this.state;
    this.minute += minutes;
    this.run = this.startAt(ROOM_C + STANDING_LEAVES_C);
    this.run.fill(litres);
    this.read();
    this.note();
  }

  private startAt(startC: number): ThermalRun {
    const seed = Math.floor(seededRandom(this.seed + Math.round(this.minute))() * 2 ** 31);
    const run = new ThermalRun(this.car, { startC, dtS: STEP_S, seed });
    run.put(stillAt(ROOM_C));
    this.liveC = run.reading().coolantC;
    return run;
  }

  /** Once for each moment, so that looking at it changes nothing. */
  private read(): void {
    this.state = this.run.state();
    this.liveC = this.run.reading().coolantC;
    this.peakC = Math.max(this.peakC, this.state.blockC);
    if (this.run.events.some(({ kind }) => kind === "boils")) this.hasBoiled = true;
  }

  private note(): void {
    this.sinceRowS = 0;
    this.rows.push({ minute: this.minute, coolantC: this.blockC, gaugeC: this.seen().gaugeC });
  }
}
