import { seededRandom } from "../../kernel/chance/index.ts";

export interface FanStage {
  onC: number;
  offC: number;
  /** Air it draws through the radiator, as a share of what sheds the whole heat of idling at 95 °C over 20 °C air. */
  air: number;
  dead?: boolean;
}

export interface WarmUpCar {
  thermostatOpensC: number;
  /** "held-open" never shuts the radiator off, "stuck-shut" never opens. */
  thermostat?: "sound" | "held-open" | "stuck-shut";
  fans: FanStage[];
  /** Natural draught through the radiator, as a share; 0.3 to 0.6 lets an idling engine climb slowly to its fan. */
  draught?: number;
}

export interface WarmUp {
  car: WarmUpCar;
  ambientC: number;
  startC?: number;
  minutes: number;
  hz?: number;
  seed: number;
  /** Engine speed against seconds; idling at 820 where absent. */
  revsAt?: (seconds: number) => number;
}

export interface WarmUpEvent {
  kind: "thermostat-opens" | "fan-on" | "fan-off";
  atS: number;
  coolantC: number;
  stage?: number;
}

const IDLE_REVS = 820;
/** Heat into the coolant while idling and how it grows with revs: a mid-size engine without load. */
const IDLE_KW = 7;
const KW_PER_REV = 0.0035;
/** Coolant with the metal that follows it, the metal behind, and how they are coupled. */
const COOLANT_KJ_PER_K = 38;
const METAL_KJ_PER_K = 34;
const COUPLING_KW_PER_K = 0.5;
const SURFACE_KW_PER_K = 0.022;
const FULL_AIR_KW_PER_K = IDLE_KW / 75;
/** The radiator's own water, cold until the thermostat lets it in, and how hard the pump mixes it in at full lift. */
const RADIATOR_KJ_PER_K = 9;
const MIXING_KW_PER_K = 1.6;
const THERMOSTAT_LAG_S = 12;
const THERMOSTAT_RANGE_C = 8;
const SENSOR_LAG_S = 3;
const STEP_S = 0.1;

/**
 * A warm-up at a standstill as a sensor would log it: whole degrees with ±1 °C of jitter, °C and seconds, and the true
 * events with the sensor's own temperature before rounding. A lumped model (coolant, metal, the radiator's water)
 * stepped at 0.1 s, good enough to recognise, not to design by. Same seed, same log. Minutes from 1 to 240.
 */
export function simulateWarmUp({ car, ambientC, startC = ambientC, minutes, hz = 1, seed, revsAt }: WarmUp) {
  if (!(minutes >= 1 && minutes <= 240)) throw new RangeError(`${minutes} minutes is outside 1 to 240`);
  const random = seededRandom(seed);
  const rows: { s: number; coolantC: number; intakeC: number; rpm: number }[] = [];
  const events: WarmUpEvent[] = [];
  const running = car.fans.map(() => false);
  let coolant = startC;
  let metal = startC;
  let radiator = startC;
  let sensor = startC;
  let lift = car.thermostat === "held-open" ? 1 : 0;
  let opened = lift > 0;
  const steps = Math.round((minutes * 60) / STEP_S);
  const every = Math.round(1 / (hz * STEP_S));
  for (let step = 0; step <= steps; step++) {
    const s = step * STEP_S;
    const revs = revsAt?.(s) ?? IDLE_REVS;
    if (step % every === 0) {
      const jitter = random() < 0.12 ? (random() < 0.5 ? -1 : 1) : 0;
      const intake = ambientC + 8 * (1 - Math.exp(-s / 900));
      rows.push({
        s,
        coolantC: Math.round(sensor) + jitter,
        intakeC: Math.round(intake),
        rpm: Math.round(revs + 24 * (random() - 0.5)),
      });
    }
    if (!opened && car.thermostat !== "stuck-shut" && coolant >= car.thermostatOpensC) {
      opened = true;
      events.push({ kind: "thermostat-opens", atS: s, coolantC: sensor });
    }
    const wanted =
      car.thermostat === "held-open"
        ? 1
        : car.thermostat === "stuck-shut"
          ? 0
          : (coolant - car.thermostatOpensC) / THERMOSTAT_RANGE_C;
    lift += (Math.min(1, Math.max(0, wanted)) - lift) * (STEP_S / THERMOSTAT_LAG_S);
    let air = car.draught ?? 0.45;
    for (const [index, fan] of car.fans.entries()) {
      const was = running[index] ?? false;
      const runs = !fan.dead && (was ? sensor > fan.offC : sensor >= fan.onC);
      if (runs !== was)
        events.push({ kind: runs ? "fan-on" : "fan-off", atS: s, coolantC: sensor, stage: index + 1 });
      running[index] = runs;
      if (runs) air += fan.air;
    }
    const mixed = MIXING_KW_PER_K * lift * (coolant - radiator);
    const shed = SURFACE_KW_PER_K * (coolant - ambientC) + mixed;
    const drawn = air * FULL_AIR_KW_PER_K * (radiator - ambientC);
    radiator += ((mixed - drawn) / RADIATOR_KJ_PER_K) * STEP_S;
    const heat = IDLE_KW + KW_PER_REV * Math.max(0, revs - IDLE_REVS);
    const across = COUPLING_KW_PER_K * (metal - coolant);
    metal += ((heat - across) / METAL_KJ_PER_K) * STEP_S;
    coolant += ((across - shed) / COOLANT_KJ_PER_K) * STEP_S;
    sensor += (coolant - sensor) * (STEP_S / SENSOR_LAG_S);
  }
  return { rows, events };
}
