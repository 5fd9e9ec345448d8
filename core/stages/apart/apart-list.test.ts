import { describe, expect, it } from "vitest";
import {
  notBackDrafts,
  notDoneDrafts,
  notOffDrafts,
  stepBackDrafts,
  stepDoneDrafts,
} from "../../book/acts/index.ts";
import { bolts, book } from "../../book/entry/book.fixture.ts";
import type { Entry } from "../../book/entry/index.ts";
import { dataOf, StepDone } from "../../book/facts/index.ts";
import { balance, outNow, stepsOff, stepsState } from "../../book/out/index.ts";
import { seededRandom } from "../../kernel/chance/index.ts";
import { anyBook, withDrafts } from "../../state/any-book.fixture.ts";
import { stepsFor } from "../../trade/order/index.ts";
import type { CameOff } from "../strip/index.ts";
import { type ApartRow, apartList } from "./index.ts";

const done = (step: string): Partial<Entry> => ({ kind: "note", data: dataOf(StepDone, { step }) });
const plug = (side: string, count = 1): CameOff => ({
  account: "connector",
  item: "plug",
  place: `${side} fan`,
  count,
});
/** One tap: its lines of one moment. */
const act = (entries: readonly Entry[], drafts: Partial<Entry>[]) =>
  withDrafts(entries, drafts, new Date(Date.UTC(2031, 2, 5, 8, entries.length)).toISOString()).entries;
const told = ({ step, stands, things }: ApartRow) =>
  `${step?.id ?? "-"} ${stands}: ${things.map(({ item, off, back, asked }) => `${item} ${off}/${back}${asked === undefined ? "" : `?${asked}`}`).join(", ")}`;

describe("steps and things in one list", () => {
  it("stand as they moved, each thing under the step that it came off with", () => {
    const rows = apartList(
      book([
        done("undertray"),
        { account: "part", item: "undertray", out: 1 },
        { ...bolts(4, "bag 1"), text: "undertray" },
        { account: "part", item: "thermostat", out: 1 },
        done("fan"),
        { account: "part", item: "shroud", out: 1 },
        { account: "part", item: "shroud", in: 1 },
      ]),
      undefined,
      [],
    );
    expect(rows.map(told)).toEqual([
      "undertray off: undertray 1/0, M6×20 4/0",
      "- off: thermostat 1/0",
      "fan back: shroud 0/1",
    ]);
  });

  it("asks at a step that is done for what the last job on the model had and nobody has written out", () => {
    const [row] = apartList(
      book([done("plugs"), { account: "connector", item: "plug", place: "left fan", out: 1 }]),
      undefined,
      [plug("left"), plug("right", 2)],
    );
    expect(row && told(row)).toBe("plugs off: plug 1/0, plug 0/0?2");
  });

  it("has each step that was done and each thing that moved once, with what is out, whatever the book", () => {
    const random = seededRandom(47);
    for (let run = 0; run < 200; run++) {
      const entries = anyBook(25, random);
      const rows = apartList(entries, undefined, []);
      expect(rows.flatMap(({ step }) => step?.id ?? []).sort()).toEqual(
        stepsState(entries)
          .map(({ step }) => step)
          .sort(),
      );
      const things = rows.flatMap((row) => row.things).filter(({ asked }) => asked === undefined);
      const moved = balance(entries).filter(
        ({ account, out }) => account !== "coolant" && account !== "tool" && out > 0,
      );
      expect(things).toHaveLength(moved.length);
      const off = things.reduce((sum, each) => sum + each.off, 0);
      const out = moved.reduce((sum, { open }) => sum + Math.max(0, open), 0);
      expect(off).toBe(out);
      // What broke is not on the bench any more, and still off the car.
      const onBench = outNow(entries).filter(({ account }) => account !== "tool");
      expect(onBench.length === 0 || off > 0).toBe(true);
    }
  });
});

describe("what was tapped wrongly is taken back where it was tapped", () => {
  const sums = (entries: readonly Entry[]) =>
    balance(entries)
      .filter(({ open }) => open !== 0)
      .map(({ account, item, place, open }) => `${account} ${item} ${place} ${open}`)
      .sort();
  const open = (entries: readonly Entry[]) =>
    stepsOff(entries)
      .map(({ step }) => step)
      .sort();

  it("a step that is done, one that is back and a thing that is off leave the books as they were", () => {
    const random = seededRandom(53);
    const steps = stepsFor("radiator", ["undertray", "condenser"]);
    let taken = 0;
    for (let run = 0; run < 150; run++) {
      const before = anyBook(15, random);
      const known = new Set(stepsState(before).map(({ step }) => step));
      const step = steps.find(({ id }) => !known.has(id));
      if (step) {
        const after = act(before, stepDoneDrafts(step, before));
        const again = act(after, notDoneDrafts(step.id, after));
        expect(sums(again)).toEqual(sums(before));
        expect(open(again)).toEqual(open(before));
        taken++;
      }
      const off = stepsOff(before)[0];
      if (off) {
        const after = act(before, stepBackDrafts(off, [], before));
        if (stepsOff(after).some(({ step: id }) => id === off.step)) continue;
        const again = act(after, notBackDrafts({ step: off.step }, after));
        expect(sums(again)).toEqual(sums(before));
        expect(open(again)).toEqual(open(before));
        taken++;
      }
    }
    expect(taken).toBeGreaterThan(150);
  });

  it("a step that is undone since is not made undone by taking its doing back, and nothing is struck twice", () => {
    const entries = book([done("fan")]);
    const back = act(entries, stepBackDrafts(stepsOff(entries)[0] as never, [], entries));
    expect(notDoneDrafts("fan", back)).toEqual([]);
    const again = act(back, notBackDrafts({ step: "fan" }, back));
    expect(notBackDrafts({ step: "fan" }, again)).toEqual([]);
    expect(notDoneDrafts("fan", again)).toHaveLength(1);
    expect(notOffDrafts({ account: "part", item: "fan" }, book([]))).toEqual([]);
  });

  it("a step that was done again since it was back keeps its earlier undoing", () => {
    const fan = { id: "fan", name: "Shroud and fan out" };
    const off = act(book([]), stepDoneDrafts(fan, []));
    const back = act(off, stepBackDrafts(stepsOff(off)[0] as never, [], off));
    const again = act(back, stepDoneDrafts(fan, back));
    const byLine = act(
      again,
      ["shroud", "fan"].map((item) => ({ kind: "movement", account: "part", item, in: 1 })),
    );
    expect(notBackDrafts({ step: "fan" }, byLine)).toEqual([]);
  });

  it("what has moved again since is not counted twice", () => {
    const off = act(book([]), stepDoneDrafts({ id: "undertray", name: "Undertray off" }, []));
    const back = act(off, stepBackDrafts(stepsOff(off)[0] as never, [], off));
    const out = act(back, [{ kind: "movement", account: "part", item: "undertray", out: 1 }]);
    expect(sums(act(out, notBackDrafts({ step: "undertray" }, out)))).toEqual(["part undertray  1"]);
  });

  it("a switch that was changed in one step is as it was", () => {
    const swap = act(book([]), stepDoneDrafts({ id: "swap", name: "Switch changed" }, []));
    const again = act(swap, notDoneDrafts("swap", swap));
    expect(balance(again)).toEqual([]);
  });

  it("a thing that is not back after all takes its step along, which isn't undone either then", () => {
    const lines = act(book([]), stepDoneDrafts({ id: "undertray", name: "Undertray off" }, []));
    const back = act(lines, stepBackDrafts(stepsOff(lines)[0] as never, [], lines));
    expect(stepsOff(back)).toEqual([]);
    const again = act(back, notBackDrafts({ account: "part", item: "undertray" }, back));
    expect(open(again)).toEqual(["undertray"]);
  });
});
