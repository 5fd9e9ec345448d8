import { describe, expect, it } from "vitest";
import { bolts, book } from "../../book/entry/book.fixture.ts";
import type { Entry } from "../../book/entry/index.ts";
import { dataOf, StepDone } from "../../book/facts/index.ts";
import { outNow, stepsOff } from "../../book/out/index.ts";
import { seededRandom } from "../../kernel/chance/index.ts";
import { anyBook } from "../../state/any-book.fixture.ts";
import { type BackItem, backList } from "./back-list.ts";

const done = (step: string): Partial<Entry> => ({ kind: "note", data: dataOf(StepDone, { step }) });
const nameOf = ({ step, group }: BackItem) => step?.back.name ?? group?.place;

describe("what goes back, in one list", () => {
  it("is steps and things as they came off, last first, and what a step takes along only once", () => {
    const { now, waits } = backList(
      book([
        done("undertray"),
        { account: "part", item: "undertray", out: 1 },
        bolts(4, "bag 1"),
        done("fan"),
        { account: "part", item: "shroud", out: 1 },
        { account: "part", item: "fan", out: 1 },
        bolts(2, "bag 2"),
        { account: "tool", item: "magnet", out: 1 },
      ]),
    );
    expect(now.map(nameOf)).toEqual(["bag 2", "Shroud and fan in", "bag 1", "Undertray on"]);
    expect(waits.map(nameOf)).toEqual(["magnet"]);
  });

  it("has everything that is out or to be undone, each once, whatever the book", () => {
    const random = seededRandom(31);
    for (let run = 0; run < 200; run++) {
      const entries = anyBook(25, random);
      const { now, waits } = backList(entries);
      const all = [...now, ...waits];
      const steps = all.flatMap(({ step }) => step?.entryId ?? []);
      expect([...steps].sort()).toEqual(
        stepsOff(entries)
          .map(({ entryId }) => entryId)
          .sort(),
      );
      const alone = all.flatMap(({ group }) => group?.items ?? []);
      const taken = stepsOff(entries).flatMap(({ back }) =>
        (back.takes ?? []).map(({ item, place }) => `${item}|${place ?? ""}`),
      );
      const counted = outNow(entries).filter(({ item, place }) => !taken.includes(`${item}|${place}`));
      expect(alone.map(({ entryId }) => entryId).sort()).toEqual(
        counted.map(({ entryId }) => entryId).sort(),
      );
    }
  });
});
