import { describe, expect, it } from "vitest";
import { book } from "../book/entry/book.fixture.ts";
import type { Entry } from "../book/entry/index.ts";
import { dataOf, entryTrouble, MeasuredUnit } from "../book/facts/index.ts";
import { stillOut } from "../book/out/index.ts";
import { readLine } from "./read-line.ts";

const read = (line: string, drafts: Partial<Entry>[] = []) => {
  const entries = book(drafts);
  const said = readLine(line, { entries, open: stillOut(entries), stage: "strip", system: "metric" });
  if ("expected" in said) return `? ${said.expected}`;
  for (const draft of [said.entry, ...said.more])
    expect(
      entryTrouble({ id: LINE, at: "2031-03-04T09:00:00.000Z", stage: "strip", ...draft }),
    ).toBeUndefined();
  return said.reading;
};
const LINE = "0d9bdf5c-6c0e-4d6e-9f86-0a8f0f6f1a11";
const bag: Partial<Entry> = { account: "fastener", item: "M6×20", place: "bag 2", out: 3 };
const capped: Partial<Entry> = { account: "line-cap", item: "oil cooler line", out: 2 };
const wheel = (steering: "left" | "right"): Partial<Entry> => ({
  kind: "note",
  data: dataOf(MeasuredUnit, { steering, widthMm: 640 }),
});

describe("what hangs, and what is capped", () => {
  it.each([
    ["condenser hung up", "Out: condenser (hung up)."],
    ["hung up the condenser", "Out: condenser (hung up)."],
    ["charge air cooler tied up.", "Out: charge air cooler (hung up)."],
    ["out condenser hung up", "Out: condenser (hung up)."],
    ["radiator and condenser hung up", "Out: radiator (hung up). Out: condenser (hung up)."],
    ["cap oil lines", "Out: 2 × oil cooler line cap."],
    ["cap both oil cooler lines", "Out: 2 × oil cooler line cap."],
    ["Oil lines capped", "Out: 2 × oil cooler line cap."],
    ["cap one heater hose", "Out: heater line cap."],
    ["charge pipes capped", "Out: 2 × charge air pipe cap."],
  ])("%s", (line, wanted) => expect(read(line)).toBe(wanted));

  it.each([
    "condenser not hung up",
    "condenser still to be hung up",
    "3 m6x20 hung up",
    "hung up",
    "hung up on the phone at 9",
    "cap",
    "cap it",
    "cap the radiator",
    "uncap oil lines",
    "oil lines not capped",
  ])("%s is asked about, not guessed", (line) => expect(read(line)).toMatch(/^\? /));

  it("takes the caps off that are on", () =>
    expect(read("uncap oil lines", [capped])).toBe("In: 2 × oil cooler line cap."));
});

describe("what broke or is lost", () => {
  it.each([
    ["broke 1 m6x20 bag 2", "Bag 2 M6×20: broke, 1 to get."],
    ["lost 2 m6x20", "Bag 2 M6×20: lost, 2 to get."],
    ["sheared m6x20", "Bag 2 M6×20: broke, 1 to get."],
  ])("%s is the one that lay there", (line, wanted) => expect(read(line, [bag])).toBe(wanted));

  it("is by its name alone where two bags hold one like it", () =>
    expect(read("broke 1 m6x20", [bag, { ...bag, place: "bag 3" }])).toBe("M6x20: broke, 1 to get."));
});

describe("sides from the driver's seat", () => {
  it.each([
    ["left", "unplug fan driver side", "Out: left fan plug."],
    ["right", "unplug driver's side fan", "Out: right fan plug."],
    ["right", "unplug fan os", "Out: right fan plug."],
    ["right", "unplug fan n/s", "Out: left fan plug."],
    ["left", "unplug passenger fan", "Out: right fan plug."],
  ] as const)("with the wheel on the %s: %s", (steering, line, wanted) =>
    expect(read(line, [wheel(steering)])).toBe(wanted),
  );

  it("stay as they were said where nobody has written where the wheel is", () =>
    expect(read("unplug fan os")).toBe("Out: offside fan plug."));
});

describe("what is bypassed for now", () => {
  const on: Partial<Entry> = {
    kind: "decision",
    item: "fan switch",
    text: "bypassed for now",
    data: { fact: "bypass", v: 1, does: "on" },
  };
  it.each([
    ["bypass fan switch", [], "Fan switch: bypassed for now."],
    ["bridged the fan switch", [], "Fan switch: bypassed for now."],
    ["bypass off fan switch", [on], "Fan switch: bypass off again."],
    ["bypass fan switch off", [on], "Fan switch: bypass off again."],
    ["bypass off heater core", [on], "? what is bypassed: fan switch"],
    ["bypass fan switch", [on], "? what is not bypassed yet"],
    ["bypass fan relay", [], "Fan relay: bypassed for now."],
  ])("%s", (line, drafts, wanted) => expect(read(line, drafts)).toBe(wanted));

  it.each([
    "bypass",
    "bypass not needed",
    "bypass valve broken",
    "bypass hose",
    "bypass hose leaking",
    "bypass the whole thing when he comes",
    "bridged it",
    "bypass fan switch tomorrow",
    "bypass off",
    "bypass 3 m6x20",
  ])("%s is asked about, or is a thing of that name", (line) =>
    expect(read(line)).not.toMatch(/bypassed for now/),
  );
});
