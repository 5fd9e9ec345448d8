import { needsNoParts } from "../core/book/acts/index.ts";
import { type Grade } from "../core/trade/sourcing/index.ts";
import { simulate, type ThermalCar } from "../core/trade/thermal/index.ts";
import { fanWithPlug, radiatorFace } from "./drawings.ts";
import { FLEET } from "./fleet.ts";
import { logText } from "./log-layouts.ts";
import { type DemoVehicle, type PersonKey, VEHICLES } from "./shop.ts";
import { Story } from "./story.ts";
import { thermalCarOf } from "./thermal-cars.ts";

export function vehicle(key: string): DemoVehicle {
  const found = VEHICLES.find((each) => each.key === key);
  if (!found) throw new Error(`no demo vehicle ${key}`);
  return found;
}

export function fleet(key: string): DemoVehicle {
  const found = FLEET.find((each) => each.key === key);
  if (!found) throw new Error(`no demo vehicle ${key}`);
  return found;
}

/** A car held at a fast idle for 36 minutes, as its logger writes it. */
function logged(of: DemoVehicle, seed: number, ambientC: number, given: Partial<ThermalCar> = {}): string {
  const script = { ambientC, steps: [{ minutes: 36, rpm: 1500 }] };
  return logText(simulate({ ...thermalCarOf(of), ...given }, script, [], { seed }).trace, "plain");
}

export const soundLog = (of: DemoVehicle, seed: number, ambientC = 17) => logged(of, seed, ambientC);

/** The same car with its core half shut by leaves and scale: the fan does what the card says, and works harder for it. */
export const wornLog = (of: DemoVehicle, seed: number, ambientC = 17) => {
  const { coreAirKWPerK } = thermalCarOf(of);
  return logged(of, seed, ambientC, { airShare: 0.7, coreAirKWPerK: 0.7 * coreAirKWPerK });
};

/** The same car with so much of its core's face left open to air and coolant: leaves outside, scale inside. */
export const shutLog = (of: DemoVehicle, seed: number, open: number, ambientC: number) => {
  const { coreAirKWPerK, coreCoolantKWPerK } = thermalCarOf(of);
  return logged(of, seed, ambientC, {
    airShare: open,
    coreAirKWPerK: coreAirKWPerK * open ** 0.4,
    coreCoolantKWPerK: coreCoolantKWPerK * open,
  });
};

/** Undertray, hoses, plugs and brackets off: what every radiator job starts with. */
export function stripFront(story: Story): Story {
  return story
    .in("strip", 10)
    .move("clip", "clip", "undertray", 8, "out")
    .move("fastener", "M6×20", "bag 1", 4, "out", "airbox")
    .coolant("drained", story.vehicle.card.capacityL * 0.62)
    .coolant("spilled", 0.2)
    .move("hose", "hose", "upper", 1, "out")
    .move("hose", "hose", "lower", 1, "out")
    .move("connector", "plug", "left fan", 1, "out")
    .move("fastener", "M8×25", "bag 2", 4, "out", "upper brackets")
    .move("part", "radiator", "", 1, "out");
}

export function buildFront(story: Story): Story {
  return story
    .in("build", 20)
    .move("part", "radiator", "", 1, "in")
    .move("fastener", "M8×25", "bag 2", 4, "in")
    .move("connector", "plug", "left fan", 1, "in")
    .move("hose", "hose", "lower", 1, "in")
    .move("hose", "hose", "upper", 1, "in")
    .move("fastener", "M6×20", "bag 1", 4, "in")
    .move("clip", "clip", "undertray", 8, "in");
}

export function fillBack(story: Story, litres: number): Story {
  return story
    .in("fill", 12)
    .coolant("poured", Math.round(litres * 0.86 * 10) / 10, 0.5)
    .in("fill", 14)
    .coolant("poured", Math.round(litres * 0.09 * 100) / 100, 0.5)
    .in("fill", 8)
    .coolant("poured", Math.round(litres * 0.05 * 100) / 100, 0.5);
}

const PICTURED_DAYS = 330;

export function radiatorJob(
  key: string,
  of: DemoVehicle,
  daysAgo: number,
  by: PersonKey,
  grade: Grade,
  supplier: string,
  seed: number,
): Story {
  const story = new Story(key, of, daysAgo, by, "lift 1")
    .ask("Loses coolant, wet under the front after a run", "loses", ["standing", "after-drive"], "low")
    .test("pressure-test", "wet-radiator", "20 kPa in 4 min, left tank seam")
    .find("fault", "Radiator leaks at the left tank seam", "leak-radiator")
    .part("radiator", grade, supplier);
  stripFront(story);
  // The last ones have their pictures; cameras came late to this shop.
  if (daysAgo < PICTURED_DAYS)
    story
      .picture("leak at the left tank seam", "radiator", radiatorFace(true))
      .picture("right fan plug, red lock out", "right fan", fanWithPlug("right"));
  buildFront(story);
  fillBack(story, of.card.capacityL * 0.62 + 0.2);
  return story.warmUp("warm-up after.csv", soundLog(of, seed)).cold().sign();
}

/** The jumper test of a vehicle's own circuit. */
const jumperOf = ({ card }: DemoVehicle) =>
  ({ "switch-2": "jumper-low", "switch-relays": "ground-command", "self-contained": "manual-trigger" })[
    card.circuit ?? ""
  ] ?? "jumper";

export function switchJob(key: string, of: DemoVehicle, daysAgo: number, by: PersonKey, seed: number): Story {
  return new Story(key, of, daysAgo, by, "lift 2")
    .ask("Gets hot standing in traffic, fan not heard", "hot-standing", ["standing", "hot-weather"])
    .test("fuses", "sound", "on all three")
    .test(jumperOf(of), "runs", "at once")
    .test("switch-pot", "never", "still open at 104 °C")
    .find("fault", "Thermal switch does not close", "switch-open")
    .part("thermal switch", "maker's", "Coldbrook Parts")
    .in("strip", 12)
    .move("connector", "plug", "switch", 1, "out")
    .move("part", "thermal switch", "", 1, "out")
    .coolant("spilled", 0.4)
    .in("build", 4)
    .move("part", "thermal switch", "", 1, "in")
    .move("connector", "plug", "switch", 1, "in")
    .in("fill", 5)
    .coolant("poured", 0.4, 0.5)
    .warmUp("after the switch.csv", soundLog(of, seed, 22))
    .cold()
    .sign();
}

export function thermostatJob(
  key: string,
  of: DemoVehicle,
  daysAgo: number,
  by: PersonKey,
  seed: number,
): Story {
  return new Story(key, of, daysAgo, by, "bay 3")
    .ask("Slow to warm, heater lukewarm on Pell Pass", "runs-cold", ["cold-weather", "road"])
    .test("warm-up", "never-there", "levels off at 74 °C")
    .find("fault", "Thermostat hangs open", "thermostat-open")
    .part("thermostat", "maker's", "Tansy & Rudge")
    .in("strip", 10)
    .coolant("drained", 3)
    .move("hose", "hose", "upper", 1, "out")
    .move("fastener", "M6×25", "bag 1", 2, "out", "thermostat housing")
    .move("part", "thermostat", "", 1, "out")
    .in("build", 6)
    .move("part", "thermostat", "", 1, "in")
    .move("fastener", "M6×25", "bag 1", 2, "in")
    .move("hose", "hose", "upper", 1, "in")
    .in("fill", 6)
    .coolant("poured", 2.7, 0.5)
    .in("fill", 12)
    .coolant("poured", 0.2, 0.5)
    .warmUp("thermostat after.csv", soundLog(of, seed, 6))
    .cold()
    .sign();
}

export function nothingWrong(
  key: string,
  of: DemoVehicle,
  daysAgo: number,
  by: PersonKey,
  seed: number,
): Story {
  return new Story(key, of, daysAgo, by, "bay 3")
    .ask("Gauge goes past the middle before the fan starts", "gauge-high", ["standing"])
    .test("ac-on", "runs")
    .warmUp("as it came.csv", soundLog(of, seed, 24))
    .find(
      "nothing-wrong",
      "Fan starts and stops where the card says. The gauge reads high; the sensor agrees with the card.",
      "nothing-wrong",
    )
    .in("plan", 2)
    .book(needsNoParts())
    .sign();
}

export function hoseJob(
  key: string,
  of: DemoVehicle,
  daysAgo: number,
  by: PersonKey,
  after?: { log: string; against: string },
): Story {
  const story = new Story(key, of, daysAgo, by, "lift 2")
    .ask("Sweet smell, drips at the front right", "loses", ["after-drive"], "min")
    .test("look", "wet-hose", "upper hose split at the neck")
    .find("fault", "Upper hose split behind the clamp", "leak-hose")
    .part("hose", "pattern", "Pell Motor Factors", "upper")
    .in("strip", 6)
    .coolant("drained", 1.8)
    .coolant("missing", 0.6)
    .move("part", "hose", "upper", 1, "out")
    .in("build", 5)
    .move("part", "hose", "upper", 1, "in")
    .in("fill", 4)
    .coolant("poured", 2.3, 0.5);
  if (after) story.warmUp("hose after.csv", after.log).health(after.against);
  return story.cold().sign();
}

export function coolantChange(key: string, of: DemoVehicle, daysAgo: number, by: PersonKey): Story {
  const litres = Math.round(of.card.capacityL * 0.6 * 10) / 10;
  const story = new Story(key, of, daysAgo, by, "bay 3")
    .ask("Coolant due by age", undefined, [])
    .ownTest("freeze point by refractometer", "fail", "−18 °C, wanted −37 °C")
    .find("fault", "Coolant too weak and past its years")
    .in("plan", 2)
    .book(needsNoParts())
    .in("strip", 8)
    .coolant("drained", litres);
  fillBack(story, litres);
  return story.cold().sign();
}
