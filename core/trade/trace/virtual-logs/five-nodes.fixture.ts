/**
 * An engine warming up, by other equations than the reader of logs knows: five stores of heat (metal, sump, coolant in
 * the block, the radiator's warm and cooled half) with coolant carried between them. Test data only.
 */
export interface VirtualCar {
  metalKJ: number;
  sumpKJ: number;
  blockKJ: number;
  radiatorKJ: number;
  /** Heat into the metal at 800 rpm, and how it follows the revs. */
  idleKW: number;
  revsPower: number;
  metalKWPerK: number;
  sumpKWPerK: number;
  bareKWPerK: number;
  heaterKWPerK: number;
  /** Coolant carried at 800 rpm with the thermostat wide open, kW/K. */
  flowKWPerK: number;
  /** Radiator to air at idle without any fan, and what each fan stage brings it to. */
  draughtKWPerK: number;
  fanKWPerK: number[];
  gustShare: number;
  thermostat: {
    opensC: number;
    rangeC: number;
    lagS: number;
    at: "outlet" | "inlet";
    leak: number;
    leastLift: number;
    mostLift: number;
  };
  fans: { onC: number; offC: number; works: boolean; welded: boolean }[];
  fanSenses: "engine" | "radiator";
  sensorLagS: number;
  /** A switch in the radiator's tank follows its water by this. */
  switchLagS: number;
}

export interface Drive {
  ambientC: number;
  /** Temperature of everything but the radiator, which follows with a lag, at the start. */
  startC: number;
  seconds: number;
  revs: { fromS: number; toS: number; rpm: number }[];
  idleRpm: number;
  /** How far over idle a cold engine runs, and how long that takes to settle. */
  fastRpm: number;
  fastS: number;
}

export interface TrueEvent {
  kind: "thermostat-opens" | "fan-on" | "fan-off" | "revs-raised";
  atS: number;
  coolantC: number;
  stage?: number;
}

const STEP_S = 0.1;
const SWITCHED_OFF_C = 122;
/** The valve counts as open once the wax has lifted it off its seat by this. */
const OFF_ITS_SEAT = 0.01;

/** Sensor temperature and revs ten times a second, with what truly happened. */
export function runCar(car: VirtualCar, drive: Drive, random: () => number) {
  const steps = Math.round(drive.seconds / STEP_S);
  const sensorC = new Float64Array(steps + 1);
  const rpms = new Float64Array(steps + 1);
  const events: TrueEvent[] = [];
  const { ambientC, startC } = drive;
  let metal = startC;
  let sump = startC;
  let block = startC;
  let warmHalf = ambientC + (startC - ambientC) * 0.8;
  let coolHalf = ambientC + (startC - ambientC) * 0.6;
  let sensor = startC;
  let wax = startC;
  let lift = car.thermostat.leastLift;
  let isOpen = lift > 0.1;
  let gust = 0;
  let switchC = coolHalf;
  const running = car.fans.map((fan) => fan.welded);
  for (let step = 0; step <= steps; step++) {
    const s = step * STEP_S;
    const held = drive.revs.find((each) => s >= each.fromS && s < each.toS);
    const rpm = held?.rpm ?? drive.idleRpm + drive.fastRpm * Math.exp(-s / drive.fastS);
    sensorC[step] = sensor;
    rpms[step] = rpm;
    // Nobody lets an engine run on past this.
    if (sensor > SWITCHED_OFF_C)
      return { sensorC: sensorC.subarray(0, step), rpms: rpms.subarray(0, step), events };
    for (const each of drive.revs)
      if (Math.abs(s - each.fromS) < STEP_S / 2)
        events.push({ kind: "revs-raised", atS: s, coolantC: sensor });
    switchC += ((coolHalf - switchC) * STEP_S) / car.switchLagS;
    const felt = car.fanSenses === "radiator" ? switchC : sensor;
    let air = car.draughtKWPerK;
    for (const [index, fan] of car.fans.entries()) {
      const was = running[index] ?? false;
      const runs = fan.welded || (fan.works && (was ? felt > fan.offC : felt >= fan.onC));
      if (runs !== was)
        events.push({ kind: runs ? "fan-on" : "fan-off", atS: s, coolantC: sensor, stage: index + 1 });
      running[index] = runs;
      if (runs) air = Math.max(air, car.fanKWPerK[index] ?? 0);
    }
    if (step % 50 === 0) gust += -gust * 0.08 + car.gustShare * 0.4 * (random() - 0.5) * 2;
    air = Math.max(0.2 * air, air + car.draughtKWPerK * gust);
    const flow = car.flowKWPerK * Math.max(0.3, rpm / 800) ** 0.9 * lift;
    const inletC = (1 - lift) * block + lift * coolHalf;
    const waxFeels = car.thermostat.at === "outlet" ? block : 0.45 * inletC + 0.55 * block;
    wax += ((waxFeels - wax) * STEP_S) / car.thermostat.lagS;
    const wanted = Math.max(0, (wax - car.thermostat.opensC) / car.thermostat.rangeC);
    lift = Math.min(
      car.thermostat.mostLift,
      Math.max(car.thermostat.leastLift, wanted + car.thermostat.leak),
    );
    if (!isOpen && wanted > OFF_ITS_SEAT && car.thermostat.mostLift > 0) {
      isOpen = true;
      events.push({ kind: "thermostat-opens", atS: s, coolantC: sensor });
    }
    const heat =
      car.idleKW * (rpm / 800) ** car.revsPower * (1 + 0.0015 * (80 - metal) * (metal < 80 ? 1 : 0));
    const intoCoolant = car.metalKWPerK * (metal - block);
    const intoSump = car.sumpKWPerK * (metal - sump);
    const carried = flow * (block - coolHalf);
    const across = flow * (warmHalf - coolHalf);
    metal +=
      ((heat - intoCoolant - intoSump - 0.5 * car.bareKWPerK * (metal - ambientC)) / car.metalKJ) * STEP_S;
    sump += ((intoSump - 0.3 * car.bareKWPerK * (sump - ambientC)) / car.sumpKJ) * STEP_S;
    block +=
      ((intoCoolant - carried - (0.5 * car.bareKWPerK + car.heaterKWPerK) * (block - ambientC)) /
        car.blockKJ) *
      STEP_S;
    warmHalf +=
      ((flow * (block - warmHalf) - 0.5 * air * (warmHalf - ambientC)) / (0.5 * car.radiatorKJ)) * STEP_S;
    coolHalf += ((across - 0.5 * air * (coolHalf - ambientC)) / (0.5 * car.radiatorKJ)) * STEP_S;
    sensor += ((block - sensor) * STEP_S) / car.sensorLagS;
  }
  return { sensorC, rpms, events };
}
