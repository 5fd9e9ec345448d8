import { seededRandom } from "../../../kernel/chance/index.ts";
import type { CheckName, TraceSpec } from "../analysis.ts";
import type { Trace } from "../trace.ts";
import { runCar, type TrueEvent } from "./five-nodes.fixture.ts";
import { draws, type Fault, type Script, type SoundKind, script } from "./kinds.fixture.ts";

export { FAULTS, type Fault, type Script, SOUND_KINDS, type SoundKind, script } from "./kinds.fixture.ts";

export interface VirtualLog {
  name: string;
  trace: Trace;
  spec: TraceSpec;
  events: TrueEvent[];
  fault?: Fault;
  /** The check that must not pass, where the fault is one that a check should catch. */
  caughtBy?: CheckName;
  /** The engine's own temperature ten times a second, for what a reader could have told. */
  sensorC: Float64Array;
  script: Script;
}

const CAUGHT_BY: Record<Fault, CheckName> = {
  "fan-dead": "fanOn",
  "fan-late": "fanOn",
  "fan-early": "fanOn",
  "fan-welded": "fanOff",
  "low-dead": "fanOn",
  "high-dead": "fanOn",
  "stuck-open": "thermostat",
  "stuck-shut": "thermostat",
  "opens-early": "thermostat",
  "opens-late": "thermostat",
  bias: "soak",
  air: "climb",
  dropout: "signal",
};

/** Where slugs of air or steam pass the sensor: from, to, °C off. */
function slugs(seconds: number, firstS: number, random: () => number) {
  const { from, odds } = draws(random);
  const found: { fromS: number; toS: number; offC: number }[] = [];
  let burstS = firstS;
  while (burstS < seconds) {
    for (let i = Math.floor(from(1, 6)), atS = burstS; i > 0; i--) {
      const forS = from(4, 18);
      found.push({ fromS: atS, toS: atS + forS, offC: from(7, 18) * (odds(0.55) ? -1 : 1) });
      atS += forS + from(2, 40);
    }
    burstS += from(60, 400);
  }
  return found;
}

/** One log of a virtual car, the same for the same seed. */
export function virtualLog(kind: SoundKind, fault: Fault | undefined, seed: number): VirtualLog {
  const random = seededRandom(seed);
  return loggedOf(script(kind, fault, random), `${fault ?? "sound"}-${kind}-${seed}`, random, fault);
}

/** A virtual car as it was made, or as somebody changed it since, run and logged. */
export function loggedOf(made: Script, name: string, random: () => number, fault?: Fault): VirtualLog {
  const { log, drive, spec } = made;
  const { from } = draws(random);
  const { sensorC, rpms, events } = runCar(made.car, drive, random);
  const air = log.air ? slugs(drive.seconds, from(60, 220), random) : [];
  const outs = Array.from({ length: log.dropouts }, () => {
    const fromS = from(120, drive.seconds - 60);
    return { fromS, toS: fromS + from(1.5, 8) };
  });
  const gaps = log.gaps
    ? Array.from({ length: Math.floor(from(2, 7)) }, () => {
        const fromS = from(30, drive.seconds - 60);
        return { fromS, toS: fromS + from(4, 45) };
      })
    : [];
  const missing = log.gaps ? 0.03 : 0;
  const s: number[] = [];
  const coolant: number[] = [];
  const intake: number[] = [];
  const rpm: number[] = [];
  const every = Math.round(10 / log.hz);
  const round = log.fahrenheit
    ? (celsius: number) => (Math.round(celsius * 1.8 + 32) - 32) / 1.8
    : (celsius: number) => Math.round(celsius);
  for (let i = 0; i < sensorC.length; i += every) {
    const atS = i / 10;
    if (gaps.some((gap) => atS >= gap.fromS && atS < gap.toS) || random() < missing) continue;
    const slug = air.find((each) => atS >= each.fromS && atS < each.toS);
    const isOut = outs.some((each) => atS >= each.fromS && atS < each.toS);
    const jitter = random() < log.jitter ? (random() < 0.5 ? -1 : 1) : 0;
    const share = slug ? Math.min(1, (atS - slug.fromS + 0.5) / 3, (slug.toS - atS) / 3) : 0;
    const felt = (sensorC[i] ?? 0) + log.biasC + (slug ? slug.offC * share : 0);
    const step = log.fahrenheit ? jitter / 1.8 : jitter;
    s.push(atS);
    coolant.push(isOut ? -40 : round(felt) + step);
    const soaked = 0.45 * Math.max(0, drive.startC - drive.ambientC) * Math.exp(-atS / 300);
    intake.push(round(drive.ambientC + 8 * (1 - Math.exp(-atS / 900)) + soaked + from(-0.6, 0.6)));
    rpm.push(Math.round((rpms[i] ?? 0) + from(-16, 16)));
  }
  const trace: Trace = {
    s: Float64Array.from(s),
    coolantC: Float64Array.from(coolant),
    intakeC: Float64Array.from(intake),
    rpm: Float64Array.from(rpm),
    marks: [],
  };
  return {
    name,
    trace,
    spec,
    events,
    ...(fault ? { fault, caughtBy: CAUGHT_BY[fault] } : {}),
    sensorC,
    script: made,
  };
}
