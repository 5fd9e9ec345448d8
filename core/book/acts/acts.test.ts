import { readdirSync, readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { methodsFor } from "../../trade/bleed/index.ts";
import { GAUGES, HAPPENS, TROUBLES } from "../../trade/diagnosis/knowledge/index.ts";
import { stepsFor } from "../../trade/order/index.ts";
import { describeEntry } from "../describe/index.ts";
import type { EntryDraft } from "../entry/index.ts";
import { entryTrouble, factOf } from "../facts/index.ts";
import * as acts from "./index.ts";

const ID = "0d9bdf5c-6c0e-4d6e-9f86-0a8f0f6f1a11";
const PART = { entryId: ID, item: "radiator", place: "left", words: "left radiator" };
const [METHOD] = methodsFor({});
if (!METHOD) throw new Error("There is no way to bleed a car that nobody knows anything of.");
const STEPS = stepsFor("radiator", []);

/** Every act with what a person could give it, and what it books. */
const EVERY: Record<Exclude<keyof typeof acts, "dueWords">, EntryDraft[]> = {
  acceptedPart: [acts.acceptedPart(PART, ["fins"]), acts.acceptedPart(PART, [], { afterAll: true })],
  answeredTest: [
    acts.answeredTest({ test: "fuses", outcome: "sound" }),
    acts.answeredTest({ test: "fuses", outcome: "unsure", seen: "can't see" }, ID),
  ],
  beganStep: METHOD.steps.map((_, step) => acts.beganStep(METHOD, step)),
  broke: [acts.broke("M6×20", 2, "Left"), acts.broke("clip", 1)],
  bypassed: [acts.bypassed("low switch", "on"), acts.bypassed("low switch", "off")],
  cameIn: [acts.cameIn("clip", ID)],
  cannotTest: [acts.cannotTest("fuses", "tool"), acts.cannotTest("fuses", "hot")],
  changedCapacity: [acts.changedCapacity(0.4), acts.changedCapacity(-0.4)],
  checkedFit: [acts.checkedFit("fins", "pass", "fins clear and straight")],
  chosePart: [
    acts.chosePart({ item: " Radiator ", place: " Left", grade: "pattern", supplier: " Tansy & Rudge " }),
    acts.chosePart({
      item: "fan",
      grade: "used",
      supplier: "a yard",
      priceCents: 4000,
      guarantee: { partDays: 90, labourDays: 0 },
      because: "w".repeat(500),
    }),
  ],
  complained: [acts.complained("hot in the queue")],
  correctedBecause: [acts.correctedBecause(ID, "misread")],
  blewBy: [acts.blewBy("motor"), acts.blewBy("not-measured")],
  decided: [acts.decided("leak-radiator", "It leaks", ID), acts.decided("nothing-wrong", "Sound")],
  decidedInWords: [acts.decidedInWords("fault", "a mouse"), acts.decidedInWords("nothing-wrong", "", ID)],
  didTask: [acts.didTask({ entryId: ID, words: "bracket: drill it" })],
  endedBleeding: [acts.endedBleeding(METHOD, METHOD.steps.length - 1, "cycle 2 topped up, the last")],
  feltHose: [acts.feltHose("soft-and-cool"), acts.feltHose("hard-or-hot")],
  guaranteed: [acts.guaranteed(PART, { partDays: 730, labourDays: 0 })],
  leftBleeding: [
    acts.leftBleeding({ school: "vacuum", step: 1 }),
    acts.leftBleeding({ school: "vacuum", step: 1 }, "stops"),
  ],
  heardFan: [acts.heardFan(acts.readCoolant(101), "none")],
  knownTorque: [acts.knownTorque("drain plug", 12)],
  letOut: [acts.letOut("drained", 4), acts.letOut("kept", 0.3, { fraction: 0.5 })],
  loggedWarmUp: [acts.loggedWarmUp("cold start.csv")],
  measuredMix: [
    acts.measuredMix(0.42349, "ethylene", "refractometer"),
    acts.measuredMix(0, undefined, "strip"),
  ],
  measuredUnit: [acts.measuredUnit({ steering: "left", widthMm: 640 })],
  movedOver: [acts.movedOver(PART, "bushes", "moved")],
  needsNoParts: [acts.needsNoParts()],
  notBackDrafts: acts.notBackDrafts({ step: "fan" }, []),
  notDoneDrafts: acts.notDoneDrafts("fan", []),
  notOffDrafts: acts.notOffDrafts({ account: "part", item: "fan" }, []),
  noted: [acts.noted("Bolt: through 12 mm")],
  openedWithout: [acts.openedWithout([PART], "it must go today")],
  pointedAt: [acts.pointedAt(ID, { x: 0.5, y: 0.25 }, "the crack")],
  poured: [
    acts.poured(4.00049),
    acts.poured(2, { fraction: 0.50049, base: "propylene", kind: "oat", product: "Blue" }),
  ],
  promisedReady: [acts.promisedReady("2031-03-06T16:00:00.000Z", "Thu 6 Mar, 16:00")],
  proved: [
    acts.proved({ proof: "road", words: "road test" }, "pass"),
    acts.proved({ proof: "road", words: "road test" }, "not-seen", "no plates"),
  ],
  putBack: [acts.putBack({ account: "hose", item: "hose", place: "upper" })],
  putWireOn: [acts.putWireOn("brown")],
  ranDistance: [acts.ranDistance(184_220.04)],
  readCaution: [acts.readCaution("Never open a hot cap.")],
  readCodes: [acts.readCodes("P0128")],
  readCoolant: [acts.readCoolant(91), acts.readCoolant(40, "surface", "2031-03-04T09:00:00.000Z")],
  readHealth: [
    acts.readHealth("The radiator passes heat at 64 ± 5 % of that in its log of 3 May 2024.", {
      logId: "l1",
      againstLogId: "l0",
      againstDay: "2024-05-03",
      figures: { passes: { value: 0.64, error: 0.02 } },
    }),
  ],
  readPressure: [acts.readPressure(108), acts.readPressure(108, { begins: true, coolantC: 21 })],
  readRoom: [acts.readRoom(18)],
  refusedPart: [acts.refusedPart(PART, "bent")],
  saidHappens: [acts.saidHappens(Object.keys(HAPPENS) as (keyof typeof HAPPENS)[])],
  saidLook: [
    acts.saidLook(
      { key: "level", does: "promised", what: "level again", on: "2031-03-13", byKm: 184_720 },
      "us",
    ),
    acts.saidLook({ key: "level", does: "dropped", what: "level again", because: "sold" }, "metric"),
  ],
  saidTrouble: [acts.saidTrouble(Object.keys(TROUBLES) as (keyof typeof TROUBLES)[])],
  sawApart: [acts.sawApart("lower hose", "declined", " soft "), acts.sawApart("belt", "sound")],
  sawGauge: (Object.keys(GAUGES) as (keyof typeof GAUGES)[]).map(acts.sawGauge),
  sawLevel: [acts.sawLevel("line"), acts.sawLevel("empty", "cold")],
  sawSign: [acts.sawSign("heater", "pass")],
  settledCircuit: [acts.settledCircuit("ecu-relay")],
  signed: [acts.signed(""), acts.signed("two clips short")],
  stepBackDrafts: [],
  stepDoneDrafts: STEPS.flatMap((step) => acts.stepDoneDrafts(step, [])),
  stoppedBleeding: [acts.stoppedBleeding(METHOD, 0, "stopped by hand")],
  struck: [acts.struck(ID, "reading")],
  testedOwn: [acts.testedOwn("belt by hand", "fail", "slack"), acts.testedOwn("belt", "not-seen")],
  toldOwner: [acts.toldOwner("w".repeat(3000))],
  tookOff: [
    acts.tookOff({ account: "connector", item: "plug", place: "left fan" }, 1, "green wire"),
    acts.tookOff({ account: "tool", item: "jumper", place: "" }),
  ],
  tookOrder: [acts.tookOrder("radiator", [], STEPS, "2 h")],
  tookPicture: [
    acts.tookPicture({ width: 800, height: 600, of: ID }, "the seam", "left"),
    acts.tookPicture({ width: 1, height: 1 }, "x"),
  ],
  tookRemedy: acts.tookRemedy({ what: "bracket", remedy: "drill it", minutes: 14.6, part: "bolt M8" }),
  triedRepair: [acts.triedRepair("switch", "New thermal switch")],
  waits: [
    acts.waits("owner", "the owner thinks"),
    acts.waits("parts", "Thursday", "2031-03-06T08:00:00.000Z"),
  ],
  wentOn: METHOD.steps.flatMap((_, step) => acts.wentOn(METHOD, step, 0)),
};

describe("an act", () => {
  it.each(Object.entries(EVERY))(
    "%s gives lines that a book takes, and that read as sentences",
    (_, drafts) => {
      for (const [index, draft] of drafts.entries()) {
        const line = {
          id: ID.replace("a11", `b${index}`.slice(-3).padStart(3, "b")),
          at: "2031-03-04T09:00:00.000Z",
          stage: "find" as const,
          ...draft,
        };
        expect(entryTrouble(line), JSON.stringify(draft)).toBeUndefined();
        if (draft.data) expect(factOf(draft), JSON.stringify(draft)).toBeDefined();
        if (draft.corrects && !draft.data) continue;
        for (const system of ["metric", "us"] as const)
          expect(describeEntry(draft, system)).toMatch(/.[.?!]$/);
      }
    },
  );

  it("keeps the distance as it was typed: a mile's part is the same figure on Ask and in the line", () => {
    const km = 114_469.3 * 1.609344;
    expect(acts.ranDistance(km).value).toBe(km);
  });

  it("is where lines are made: no view makes one of its own, nor do the entry line and the made-up shop", () => {
    const files = ["app", "core/language", "core/stages", "demo"].flatMap((floor) =>
      readdirSync(floor, { recursive: true, encoding: "utf8" }).map((name) => `${floor}/${name}`),
    );
    const own = files.filter(
      (name) =>
        /\.tsx?$/.test(name) &&
        !/\.(test|fixture)\./.test(name) &&
        /\bdataOf\(|\bdata: \{/.test(readFileSync(name, "utf8")),
    );
    expect(own).toEqual([]);
  });
});
