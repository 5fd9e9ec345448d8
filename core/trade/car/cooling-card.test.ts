import { readdirSync, readFileSync } from "node:fs";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { CARD } from "./cooling-card.fixture.ts";
import {
  CARD_FIELDS,
  CARD_NAMES,
  type CoolingCard,
  cardRows,
  cardWords,
  readCard,
  traceSpecOf,
} from "./index.ts";

describe("a cooling card", () => {
  it("is listed nowhere else: a new field is a line of its list", () => {
    const files = ["core", "server", "app"].flatMap((floor) =>
      readdirSync(floor, { recursive: true, encoding: "utf8" }).map((name) => `${floor}/${name}`),
    );
    const listing = files
      .filter(
        (name) =>
          /\.tsx?$/.test(name) && !/core\/trade\/car\/|migrations|testing|\.(test|fixture)\./.test(name),
      )
      .filter((name) => {
        const text = readFileSync(name, "utf8");
        return CARD_NAMES.filter((field) => text.includes(field)).length > CARD_NAMES.length / 2;
      });
    expect(listing).toEqual([]);
  });

  it("is read back as it was written", () => {
    expect(readCard(JSON.parse(JSON.stringify(CARD)))).toEqual(CARD);
    const { coolantApproval: _, ...older } = CARD;
    expect(readCard(older)).toEqual(CARD);
    expect(readCard({ ...CARD, circuit: null, more: "from a newer one" })).toEqual({
      ...CARD,
      circuit: null,
    });
  });

  it.each([
    [{ capacityL: "9.3" }, /holds.*0\.5 to 200/],
    [{ capacityL: Number.NaN }, /holds/],
    [{ coolantKind: "green" }, /coolant kind.*si-oat/],
    [{ circuit: "magic" }, /fan circuit/],
    [{ oilCooler: "everywhere" }, /oil cooler/],
    [{ fillPoint: "x".repeat(121) }, /fill at.*120/],
    [{ fanOnC: [92], fanOffC: [] }, /Start and stop go together/],
    [{ fanOnC: [92, 99], fanOffC: [93, 94] }, /A fan stops below where it starts/],
    [{ fanOnC: [99, 92], fanOffC: [94, 87] }, /high stage starts above/],
    [{ fanOnC: [92, 93, 94], fanOffC: [1, 2, 3] }, /one or two temperatures/],
    [{ sensorCurve: [{ celsius: 20 }] }, /ohms/],
    [{ sensorCurve: [null] }, /°C/],
  ])("of %j is refused with the field", (change, words) => {
    expect(() => readCard({ ...CARD, ...change })).toThrow(RangeError);
    expect(() => readCard({ ...CARD, ...change })).toThrow(words);
  });

  it("may leave open where the thermostat opens and where a fan stops, which is told as not known", () => {
    const gaps = readCard({ ...CARD, thermostatOpensC: null, fanOnC: [92, 99], fanOffC: [87, null] });
    expect(gaps).toMatchObject({ thermostatOpensC: null, fanOffC: [87, null] });
    expect(traceSpecOf(gaps)).toMatchObject({ thermostatOpensC: null, fanOffC: [87, null] });
    const told = cardRows(gaps, "metric").map(({ name, lines }) => `${name}: ${lines.join(", ")}`);
    expect(told).toContain("Thermostat opens: not known");
    expect(told.find((row) => row.startsWith("High fan"))).toMatch(/on 99.*not known/);
    expect(cardWords("fanOffC", [87, null], "metric")).toMatch(/^87.* and not known$/);
    expect(() => readCard({ ...CARD, capacityL: null })).toThrow(/holds/);
  });

  it("never takes what is out of its range, whatever else is written", () => {
    const anything = fc.oneof(fc.anything(), fc.double(), fc.constantFrom("none", "oat", 50, null));
    fc.assert(
      fc.property(fc.constantFrom(...CARD_NAMES), anything, (name, value) => {
        let read: CoolingCard;
        try {
          read = readCard({ ...CARD, [name]: value });
        } catch (error) {
          expect(error).toBeInstanceOf(RangeError);
          return;
        }
        const field = CARD_FIELDS[name];
        if (field.is === "figure" && read[name] !== null) {
          expect(read[name]).toBeGreaterThanOrEqual(field.least);
          expect(read[name]).toBeLessThanOrEqual(field.most);
        }
        if (field.is === "choice" && read[name] !== null) expect(field.of).toContain(read[name]);
        // Whatever was taken can be told, and a log be judged by it.
        expect(cardWords(name, read[name], "us")).not.toBe("");
        expect(traceSpecOf(read).fanOnC.length).toBe(read.fanOffC.length);
      }),
    );
  });

  it("is told a row a thing, the fan's stages by their own", () => {
    const rows = Object.fromEntries(
      cardRows(CARD, "metric").map(({ name, lines }) => [name, lines.join("; ")]),
    );
    expect(rows).toMatchObject({
      Coolant: "si-oat, Fellwater Blue",
      "Fan circuit": "two-stage switch in the radiator",
      "Fan switch or sensor at": "radiator",
      "Oil cooler": "none",
    });
    expect(rows["Low fan"]).toMatch(/^on 92.°C.*; off 87/);
    expect(rows).not.toHaveProperty("Bleed");
    const bare = cardRows({ ...CARD, circuit: null, fanOnC: [], fanOffC: [], sensorCurve: [] }, "metric");
    expect(bare.find(({ name }) => name === "Fan circuit")?.lines).toEqual(["not known yet"]);
    expect(bare.map(({ name }) => name)).not.toContain("Fan switch or sensor at");
  });
});

describe("what a change of a card is told as", () => {
  it.each(["metric", "us"] as const)("bears a field that only another version knows, in %s", (system) => {
    expect(cardWords("fanPulley" as keyof CoolingCard, 12, system)).toBe("12");
    expect(cardWords("toString" as keyof CoolingCard, "x", system)).toBe("x");
    expect(cardWords("fanPulley" as keyof CoolingCard, null, system)).toBe("nothing");
  });
});
