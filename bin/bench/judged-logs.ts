import { analyseTrace } from "../../core/trade/trace/index.ts";
import {
  FAULTS,
  SOUND_KINDS,
  type VirtualLog,
  virtualLog,
} from "../../core/trade/trace/virtual-logs/index.fixture.ts";
import { type Score, score } from "../../core/trade/trace/virtual-logs/score.fixture.ts";
import { isShown } from "../../core/trade/trace/virtual-logs/shown.fixture.ts";
import type { Figure } from "./measure.ts";

const CARS = 5000;
const SEED = 20_311;

function judged(log: VirtualLog): Score & { isShown: boolean } {
  return { ...score(log, analyseTrace(log.trace, log.spec)), isShown: isShown(log) };
}

const percent = (share: number, of: number) => (100 * share) / Math.max(1, of);
const sum = (scores: readonly Score[], of: (score: Score) => number) =>
  scores.reduce((total, each) => total + of(each), 0);

/** Logs of virtual cars by the five-node model, sound and faulty, held against what truly happened. */
export async function benchJudgedLogs(): Promise<Figure[]> {
  const sound = Array.from({ length: CARS }, (_, i) =>
    judged(virtualLog(SOUND_KINDS[i % SOUND_KINDS.length] ?? "plain", undefined, SEED * 1000 + i)),
  );
  const faulty = Array.from({ length: CARS }, (_, i) =>
    judged(virtualLog(i % 2 ? "mix" : "plain", FAULTS[i % FAULTS.length], SEED * 1000 + 500_000 + i)),
  );
  const all = [...sound, ...faulty];
  const tellable = sum(all, (each) => each.tellable);
  const alarms = sound.filter(({ falseAlarms }) => falseAlarms.length > 0).length;
  const comforts = faulty.filter(({ falseComfort }) => falseComfort).length;
  const caught = faulty.filter((each) => each.caught).length;
  const shown = faulty.filter((each) => each.isShown);
  const called = shown.filter((each) => each.caught).length;
  const seed = `seed ${SEED}`;
  return [
    {
      name: `sound cars of ${CARS} with any fail`,
      measured: percent(alarms, CARS),
      unit: "%",
      wanted: 0.5,
      from: `${alarms} cars, ${seed}`,
    },
    {
      name: `faulty cars of ${CARS} passed by the check that should catch them`,
      measured: percent(comforts, CARS),
      unit: "%",
      wanted: 0.5,
      from: `${comforts} cars; ${percent(caught, CARS).toFixed(0)} % were caught, ${seed}`,
    },
    {
      name: "faulty cars called by the check that should, of those whose log shows it",
      measured: percent(called, shown.length),
      unit: "%",
      wanted: 85,
      atLeast: true,
      from: `${called} of ${shown.length}; a fan that ran since before, and a thermostat open in cold air, show in none`,
    },
    {
      name: "events within 15 s and 1.5 °C, of those that whole degrees can show",
      measured: percent(
        sum(all, (each) => each.tellableFound),
        tellable,
      ),
      unit: "%",
      wanted: 98,
      atLeast: true,
      from: `${tellable} of ${sum(all, (each) => each.trueEvents)} events; of all ${percent(
        sum(all, (each) => each.found),
        sum(all, (each) => each.trueEvents),
      ).toFixed(1)} %; of sound cars' ${percent(
        sum(sound, (each) => each.tellableFound),
        sum(sound, (each) => each.tellable),
      ).toFixed(1)} %`,
    },
    {
      name: "events made up, of those told",
      measured: percent(
        sum(all, (each) => each.invented.length),
        sum(all, (each) => each.told),
      ),
      unit: "%",
      wanted: 1,
      from: `${sum(all, (each) => each.told)} told`,
    },
  ];
}
