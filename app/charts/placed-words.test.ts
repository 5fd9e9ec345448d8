import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { placedWords } from "./placed-words.ts";

const FIELD = { top: 12, bottom: 280 };
const event = fc.record({
  x: fc.integer({ min: 46, max: 640 }),
  y: fc.integer({ min: 30, max: 270 }),
  text: fc.constantFrom("on 94", "off 89", "opens 88", "no signal 20"),
  isAbove: fc.boolean(),
});

describe("the words beside what happened", () => {
  it("stand above what comes on and below what goes off", () => {
    const [on, off] = placedWords(
      [
        { x: 100, y: 150, text: "on 94", isAbove: true },
        { x: 400, y: 150, text: "off 89", isAbove: false },
      ],
      FIELD,
    );
    expect(on?.y).toBeLessThan(150);
    expect(off?.y).toBeGreaterThan(150);
  });

  it("never cover each other nor leave the field, however many there are", () => {
    fc.assert(
      fc.property(fc.array(event, { maxLength: 30 }), (events) => {
        const placed = placedWords(events, FIELD);
        for (const [place, { x, y, text }] of placed.entries()) {
          expect(y).toBeGreaterThan(FIELD.top);
          expect(y).toBeLessThan(FIELD.bottom);
          for (const other of placed.slice(0, place)) {
            const besides = Math.abs(other.x - x) >= (Math.min(other.text.length, text.length) * 7) / 2;
            expect(besides || Math.abs(other.y - y) >= 15, `${text} on ${other.text}`).toBe(true);
          }
        }
      }),
    );
  });
});
