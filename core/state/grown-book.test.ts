import { describe, expect, it } from "vitest";
import { book } from "../book/entry/book.fixture.ts";
import { type Entry, standing } from "../book/entry/index.ts";
import { ChosenPart, dataOf, FACTS, factsOf } from "../book/facts/index.ts";
import { balance, outNow, stillOut, wentInBeyond } from "../book/out/index.ts";
import { seededRandom } from "../kernel/chance/index.ts";
import { anyBook } from "./any-book.fixture.ts";
import { jobState } from "./job-state.ts";

const CARD = {
  ...{ capacityL: 8, targetFraction: 0.5, coolantKind: "oat", capGaugeKpa: 110 },
  ...{ fillPoint: "expansion tank", bleedPoints: "none", fanOnC: [94, 101] as [number, number] },
};
const NOW = "2031-03-04T09:30:00.000Z";
const BOOKS = 50;

/** All that is told of a job. */
const toldOf = (entries: readonly Entry[]) => {
  const { engine, coolant, parts, steps, measures, open } = jobState(entries, CARD, NOW);
  const counted = [outNow(entries), wentInBeyond(entries), stillOut(entries), balance(entries)];
  const said = FACTS.map((kind) => factsOf(entries, kind));
  return { engine, coolant, parts, steps, measures, open, stands: standing(entries), counted, said };
};
const told = (entries: readonly Entry[]) => JSON.stringify(toldOf(entries));
/** The same lines that nobody has read before: nothing that was told earlier can be told again. */
const unread = (entries: readonly Entry[]) => structuredClone([...entries]);

/** Sentences without a fact between the lines, some of them told of an hour before the book begins. */
function withWords(entries: readonly Entry[], random: () => number): Entry[] {
  const spoken = entries.flatMap((entry): Omit<Entry, "seq">[] =>
    random() < 0.3
      ? [
          entry,
          {
            ...{ id: `${entry.id} said`, jobId: entry.jobId, by: entry.by, stage: entry.stage, kind: "note" },
            ...{ text: "hose clamp tired" },
            at: random() < 0.2 ? "2031-03-04T01:00:00.000Z" : entry.at,
          },
        ]
      : [entry],
  );
  return spoken.map((entry, index) => ({ ...entry, seq: index + 1 }));
}

describe("a book that grows while it is read", () => {
  it("tells at each line what it would tell to whoever reads it for the first time", () => {
    const random = seededRandom(1911);
    for (let run = 0; run < BOOKS; run++) {
      const all = withWords(anyBook(1 + Math.floor(random() * 25), random), random);
      for (let length = 1; length <= all.length; length += 1 + Math.floor(random() * 3))
        expect(told(all.slice(0, length))).toBe(told(unread(all.slice(0, length))));
    }
  });

  it("tells what it holds though another line had stood at its end, or lines come out of their order", () => {
    const random = seededRandom(1912);
    for (let run = 0; run < BOOKS; run++) {
      const all = withWords(anyBook(4 + Math.floor(random() * 12), random), random);
      const start = all.slice(0, -2);
      told(start);
      told([...start, { ...(all.at(-1) as Entry), id: "of another browser" }]);
      expect(told(all)).toBe(told(unread(all)));
      const mixed = [...all].sort(() => random() - 0.5);
      expect(told(mixed)).toBe(told(unread(all)));
      const twice = [...all, all[Math.floor(random() * all.length)] as Entry];
      expect(told(twice)).toBe(told(unread(all)));
    }
  });

  it("leaves what it told before as it was told", () => {
    const random = seededRandom(1914);
    for (let run = 0; run < BOOKS; run++) {
      const all = anyBook(1 + Math.floor(random() * 25), random);
      const before = all.map((_, index) => {
        const held = toldOf(all.slice(0, index + 1));
        return { held, text: JSON.stringify(held) };
      });
      for (const { held, text } of before) expect(JSON.stringify(held)).toBe(text);
    }
  });

  it("is read anew where a list has grown in place", () => {
    const all = anyBook(12, seededRandom(1913));
    const list = all.slice(0, 5);
    told(list);
    list.push(...all.slice(5));
    expect(told(list)).toBe(told(unread(all)));
    list.splice(6);
    expect(told(list)).toBe(told(unread(all.slice(0, 6))));
  });
});

describe("a line that is added", () => {
  const grownBy = (start: Partial<Entry>[], added: Partial<Entry>) => {
    const all = book([...start, added]);
    told(all.slice(0, -1));
    expect(told(all)).toBe(told(unread(all)));
    return jobState(all, CARD, NOW);
  };

  it("fits the part that was chosen before it", () => {
    const chosen = {
      kind: "decision",
      item: "radiator",
      data: dataOf(ChosenPart, { grade: "pattern", supplier: "Coldbrook Parts" }),
    };
    const { parts } = grownBy([{ ...chosen, kind: "decision" }], {
      ...{ kind: "movement", account: "part", item: "radiator", in: 1 },
    });
    expect(parts.map(({ stage }) => stage)).toEqual(["fitted"]);
  });
});
