import { heardFan, readCaution, readCoolant, sawGauge } from "../core/book/acts/index.ts";
import { bagsOnBench, fanWithPlug, hoseClamp, radiatorFace } from "./drawings.ts";
import { history } from "./history.ts";
import {
  buildFront,
  coolantChange,
  fillBack,
  fleet,
  hoseJob,
  nothingWrong,
  radiatorJob,
  shutLog,
  soundLog,
  stripFront,
  switchJob,
  thermostatJob,
  vehicle,
  wornLog,
} from "./job-kinds.ts";
import type { PersonKey } from "./shop.ts";
import { Story } from "./story.ts";

function openFind(): Story {
  return new Story("open-find", vehicle("wayfarer"), 0, "tobin", "lift 2", -3)
    .ask("Hot in the school queue, fan not heard", "hot-standing", ["standing", "hot-weather"])
    .book(sawGauge("three-quarters"))
    .book(readCaution("Fan may start at any moment, key off too: unplug it before hands go in."))
    .test("level", "line")
    .test("fuses", "sound", "on all three")
    .test("fan-cold", "still")
    .in("find", 3)
    .move("connector", "plug", "switch", 1, "out", "left tank")
    .move("tool", "fused jumper", "", 1, "out")
    .book(heardFan(readCoolant(101), "none"));
}

function openBuild(): Story {
  const story = new Story("open-build", vehicle("tender"), 1, "ilse", "lift 1", 10)
    .ask("Puddle under it every morning", "loses", ["after-night"], "low")
    .test("pressure-test", "wet-radiator", "seam of the right tank")
    .find("fault", "Radiator leaks at the right tank seam", "leak-radiator")
    .part("radiator", "pattern", "Tansy & Rudge");
  stripFront(story)
    .picture("left fan plug before it came off", "left fan", fanWithPlug("left"))
    .picture("seam of the right tank, wet", "radiator", radiatorFace(true))
    .picture("upper hose, ears up", "upper", hoseClamp())
    .picture("bags 1 and 2 on the bench", "", bagsOnBench(2))
    .move("line-cap", "oil cooler line cap", "", 2, "out")
    .move("tool", "magnet", "", 1, "out");
  return story
    .in("build", 20)
    .move("part", "radiator", "", 1, "in")
    .move("fastener", "M8×25", "bag 2", 3, "in")
    .waits("parts", "one M8×25 on the next van", 1500);
}

function openProve(): Story {
  const of = vehicle("scholar");
  const story = new Story("open-prove", of, 1, "ilse", "lift 1", 6)
    .ask("Loses a little every week, third radiator", "loses", ["after-drive"], "min")
    .test("pressure-test", "wet-radiator", "weeps at the lower peg")
    .warmUp("library before.csv", wornLog(of, 76, 9), "find")
    .find("fault", "Radiator leaks at the lower peg, mount bush gone hard", "leak-radiator")
    .part("radiator", "all-metal", "Coldbrook Parts");
  stripFront(story);
  buildFront(story);
  fillBack(story, of.card.capacityL * 0.62 + 0.2);
  return story
    .warmUp("library after.csv", soundLog(of, 77, 14))
    .waits("night", "cold level in the morning", 900);
}

function openAsk(): Story {
  return new Story("open-ask", fleet("mrw-5610"), 0, "ilse", "bay 3", -1).ask(
    "Temperature light flickered on Pell Pass, went out going down",
    "hot-road",
    ["road", "uphill"],
  );
}

function openPlan(): Story {
  return new Story("open-plan", fleet("mrw-2611"), 0, "maren", "", -2)
    .ask("Wet under the front after the school run", "loses", ["after-drive"], "low")
    .test("pressure-test", "wet-radiator", "15 kPa in 5 min, right tank seam")
    .find("fault", "Radiator leaks at the right tank seam", "leak-radiator")
    .part("radiator", "pattern", "Tansy & Rudge", undefined, false)
    .waits("parts", "radiator on the next van", 2600);
}

function openFill(): Story {
  const of = fleet("mrw-1347");
  const story = new Story("open-fill", of, 0, "tobin", "lift 1", -4)
    .ask("Sweet smell, drips at the front", "loses", ["after-drive"], "min")
    .test("pressure-test", "wet-radiator", "weeps at the lower neck")
    .find("fault", "Radiator leaks at the lower neck", "leak-radiator")
    .part("radiator", "maker's", "Coldbrook Parts");
  stripFront(story).picture("lower hose, ears up, before it came off", "lower", hoseClamp());
  buildFront(story);
  return story.in("fill", 10).coolant("poured", 3, 0.5).waits("heat", "warming up for the second top-up", 25);
}

/** Ninety closed jobs over three years and six open ones, oldest first. Those told one by one are on the first eight. */
export function stories(): Story[] {
  const all = [...told(), ...history()];
  const closed = all.filter(({ signature }) => signature).sort((a, b) => b.daysAgo - a.daysAgo);
  return [...closed, ...all.filter(({ signature }) => !signature)];
}

/** A small van whose radiator shuts from year to year: its logs since the first good one tell how fast. */
function pannierHose(key: string, daysAgo: number, by: PersonKey, seed: number, open: number): Story {
  const of = vehicle("pannier");
  return hoseJob(key, of, daysAgo, by, { log: shutLog(of, seed, open, 12), against: "s06" });
}

function told(): Story[] {
  return [
    radiatorJob("s01", vehicle("scholar"), 720, "tobin", "pattern", "Tansy & Rudge", 1),
    thermostatJob("s02", vehicle("drover"), 668, "ilse", 2),
    switchJob("s03", vehicle("finch"), 611, "tobin", 3),
    coolantChange("s04", vehicle("courier"), 584, "ilse"),
    hoseJob("s05", vehicle("wayfarer"), 540, "tobin"),
    nothingWrong("s06", vehicle("pannier"), 498, "ilse", 6),
    radiatorJob("s07", vehicle("courier"), 441, "tobin", "maker's", "Coldbrook Parts", 7),
    switchJob("s08", vehicle("wayfarer"), 402, "ilse", 8),
    radiatorJob("s09", vehicle("scholar"), 365, "ilse", "pattern", "Pell Motor Factors", 9),
    thermostatJob("s10", vehicle("finch"), 322, "tobin", 10),
    coolantChange("s11", vehicle("duo"), 290, "ilse"),
    pannierHose("s12", 244, "tobin", 12, 0.88),
    nothingWrong("s13", vehicle("duo"), 201, "tobin", 13),
    switchJob("s14", vehicle("tender"), 160, "ilse", 14),
    coolantChange("s15", vehicle("drover"), 118, "tobin"),
    pannierHose("s16", 77, "ilse", 16, 0.74),
    thermostatJob("s17", vehicle("courier"), 6, "tobin", 17),
    openBuild(),
    openProve(),
    openFind(),
    openAsk(),
    openPlan(),
    openFill(),
  ];
}
