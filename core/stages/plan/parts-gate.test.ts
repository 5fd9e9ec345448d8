import { describe, expect, it } from "vitest";
import { book } from "../../book/entry/book.fixture.ts";
import type { Entry } from "../../book/entry/index.ts";
import {
  CheckedPart,
  ChosenPart,
  dataOf,
  NoParts,
  OpenedWithout,
  RefusedPart,
} from "../../book/facts/index.ts";
import { partKind } from "../../book/parts/index.ts";
import { openItems } from "../../state/index.ts";
import { looksFor, partsGate } from "./parts-gate.ts";

const chosen: Partial<Entry> = {
  id: "chosen",
  kind: "decision",
  item: "radiator",
  data: dataOf(ChosenPart, { grade: "pattern", supplier: "Tansy & Rudge" }),
};
const said = (data: Entry["data"]): Partial<Entry> => ({
  kind: "decision",
  item: "radiator",
  ...(data ? { data } : {}),
});
const ACCEPTED = said(dataOf(CheckedPart, { part: "chosen", seen: ["rinsed"] }));
const REFUSED = said(dataOf(RefusedPart, { part: "chosen", because: "a peg bent in its box" }));
const WITHOUT = said(dataOf(OpenedWithout, { because: "it leaks too fast to stand" }));

describe("the parts gate", () => {
  it.each<[string, Partial<Entry>[], boolean]>([
    ["is open where nothing was chosen", [], true],
    ["is open where no parts are needed", [said(dataOf(NoParts, {}))], true],
    ["is shut while a chosen part is on its way", [chosen], false],
    ["opens once it was accepted", [chosen, ACCEPTED], true],
    ["is shut where it was refused", [chosen, REFUSED], false],
    ["opens for a reason that was written down", [chosen, WITHOUT], true],
    [
      "shuts again when that is struck",
      [chosen, { ...WITHOUT, id: "w" }, { kind: "decision", corrects: "w" }],
      false,
    ],
    [
      "shuts again when what was accepted is unticked",
      [chosen, { ...ACCEPTED, id: "a" }, { kind: "decision", corrects: "a" }],
      false,
    ],
  ])("%s", (_, drafts, isOpen) => expect(partsGate(book(drafts)).isOpen).toBe(isOpen));

  it("keeps a refused part open in words until another was accepted or it is no longer wanted", () => {
    expect(openItems(book([chosen, REFUSED]), "metric").map(({ words }) => words)).toEqual([
      "radiator refused: a peg bent in its box; another to come",
    ]);
    expect(openItems(book([chosen, REFUSED, { kind: "decision", corrects: "chosen" }]), "metric")).toEqual(
      [],
    );
  });

  it("looks at the pegs of a radiator, the blades of a fan, and at anything for freight damage", () => {
    expect(looksFor("Radiator")).toContain("pegs straight");
    expect(looksFor("fan assembly")).toContain("blades free");
    expect(looksFor("thermostat")).toEqual([
      "no freight damage",
      "right variant and year",
      "nothing missing",
    ]);
  });
});

describe("which kind of part a name means", () => {
  it.each([
    ["radiator", "radiator"],
    ["All-metal radiator", "radiator"],
    ["radiator (all-metal)", "radiator"],
    ["radiator assembly", "radiator"],
    ["left fan motor", "fan"],
    ["fan assembly", "fan"],
    ["oil cooler", "cooler"],
    ["condenser", "cooler"],
    ["radiator cap", undefined],
    ["radiator hose", undefined],
    ["fan relay", undefined],
    ["fan belt", undefined],
    ["thermal switch", undefined],
  ])("%s: %s", (item, kind) => {
    expect(partKind(item)).toBe(kind);
    if (kind === undefined) expect(looksFor(item)).not.toContain("pegs straight");
  });
});
