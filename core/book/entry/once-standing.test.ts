import { beforeEach, describe, expect, it } from "vitest";
import { bolts, book } from "./book.fixture.ts";
import type { Entry } from "./entry.ts";
import { onceStanding } from "./once-standing.ts";
import { standing } from "./standing.ts";

const note = (more: Partial<Entry> = {}): Partial<Entry> => ({ kind: "note", text: "tired clamp", ...more });

/** Counts bolts and says which line was true first, in a way that only moves and what comes first matter to. */
function counted() {
  let times = 0;
  const told = onceStanding(
    (entries) => {
      times++;
      const all = standing(entries);
      const first = [...all].sort((a, b) => Date.parse(a.at) - Date.parse(b.at) || a.order - b.order)[0];
      return { bolts: all.reduce((sum, { out = 0 }) => sum + out, 0), first: first?.id };
    },
    ({ kind }) => kind === "movement",
  );
  return { told, times: () => times };
}

describe("onceStanding", () => {
  let start: Entry[];
  // Lines that nobody has read yet, for each test.
  beforeEach(() => {
    start = book([bolts(4), note()]);
  });
  const grown = (...added: Partial<Entry>[]) => [...start, ...book([...start, ...added]).slice(start.length)];

  it("keeps what it told while lines come that don't matter, however they come", () => {
    const { told, times } = counted();
    const before = told(start);
    const one = grown(note());
    expect(told(one)).toBe(before);
    expect(told([...one, ...book([...one, note(), note()]).slice(one.length)])).toBe(before);
    expect(told([...start])).toEqual(before);
    expect(times()).toBeLessThan(3);
  });

  it("tells anew by a line that matters, alone or among others", () => {
    const { told } = counted();
    told(start);
    expect(told(grown(bolts(2)))).toMatchObject({ bolts: 6 });
    expect(told(grown(note(), bolts(3), note()))).toMatchObject({ bolts: 7 });
  });

  it.each<[string, Partial<Entry>, object]>([
    ["a correction", { corrects: "e1", ...bolts(1) }, { bolts: 1 }],
    ["a strike", { corrects: "e1" }, { bolts: 0 }],
    ["a line from before the beginning", note({ at: "2031-03-04T01:00:00.000Z" }), { first: "e3" }],
    ["a line with a number from the middle", note({ seq: 1 }), { bolts: 4 }],
    ["another line under a name that is known", note({ id: "e1" }), { bolts: 0 }],
  ])("tells anew by %s", (_, added, says) => {
    const { told, times } = counted();
    told(start);
    expect(told(grown(added))).toMatchObject(says);
    expect(times()).toBe(2);
  });

  it("keeps two books that begin with the same line apart", () => {
    const { told } = counted();
    told(start);
    const [one, other] = [grown(bolts(1)), grown(bolts(5))];
    for (let turn = 0; turn < 2; turn++) {
      expect(told(one)).toMatchObject({ bolts: 5 });
      expect(told(other)).toMatchObject({ bolts: 9 });
    }
  });
});
