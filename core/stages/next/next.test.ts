import { describe, expect, it } from "vitest";
import { seededRandom } from "../../kernel/chance/index.ts";
import { anyBook } from "../../state/any-book.fixture.ts";
import { dutiesOf, jobState, notToRun, provenCar } from "../../state/index.ts";
import { isShut } from "../../trade/bleed/index.ts";
import { CARD, follow } from "./follow.fixture.ts";

const BOOKS = 150;
const LINES = 25;
const tail = (history: readonly string[]) => `\n${history.slice(-14).join("\n")}`;

describe("what there is to do next", () => {
  it("followed from wherever hands have come, ends in a job that may be signed, and books nothing that is refused", () => {
    const random = seededRandom(2211);
    for (let each = 0; each < BOOKS; each++) {
      const start = anyBook(Math.floor(random() * LINES), random);
      const { entries, history, last, refused } = follow(start, random);
      expect(refused, tail(history)).toEqual([]);
      expect(
        last.now.map(({ id }) => id),
        tail(history),
      ).toEqual(["sign"]);
      const left = dutiesOf(entries, provenCar({ fanOnC: CARD.fanOnC, capGaugeKpa: CARD.capGaugeKpa }));
      expect(
        left.map(({ words }) => words),
        tail(history),
      ).toEqual([]);
    }
  });

  it("opens no cap that is shut, runs no engine that is low or apart, and says of each thing why and how", () => {
    const random = seededRandom(47);
    for (let each = 0; each < BOOKS / 3; each++) {
      follow(
        anyBook(Math.floor(random() * LINES), random),
        random,
        CARD,
        ({ now: acts, waiting }, entries, now) => {
          const { cap } = jobState(entries, CARD, now).engine;
          for (const act of acts) {
            if (act.needs.engine === "opened") expect(isShut(cap), act.id).toBe(false);
            if (act.needs.engine === "running") expect(notToRun(entries), act.id).toBeUndefined();
            expect(act.what.length * act.why.length, act.id).toBeGreaterThan(0);
            expect(`${act.what} ${act.why}`).not.toMatch(/undefined|NaN|\[object/);
            expect(new Set(act.choices.map(({ id }) => id)).size).toBe(act.choices.length);
            for (const { wants } of act.choices) if (wants) expect(act.field, act.id).toBeDefined();
          }
          expect(new Set(acts.map(({ id }) => id)).size, acts.map(({ id }) => id).join()).toBe(acts.length);
          if (acts.length === 0)
            expect(
              waiting.length,
              dutiesOf(entries, { fanStages: 2 })
                .map(({ words }) => words)
                .join("; "),
            ).toBeGreaterThan(0);
        },
      );
    }
  });
});
