import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { FAN_TRIGGERS, type FanTrigger } from "./fan-wires.ts";
import { type FanToWire, fanWiring } from "./fan-wiring.ts";

const BARE: FanToWire = {
  motorAmps: 18,
  startAmps: 50,
  leadM: 1.5,
  supply: { volts: 12, unit: "bare motor" },
  triggers: ["switch"],
};

describe("fanWiring", () => {
  it("of an 18 A motor: a 25 A fuse, a relay, and the thickness that fuse asks for", () => {
    const wiring = fanWiring(BARE);
    expect(wiring).toMatchObject({ relay: true, relayA: 30, fuseA: 25, softStart: "not needed" });
    expect(wiring.section).toEqual({ byCurrentMm2: 4, byDropMm2: 2.5 + 1.5, mm2: 4 });
    expect(wiring.keyOff).toMatch(/fan stops/);
  });

  it("over a long lead is as thick as the volts want, not the amperes", () => {
    const { section, dropPercent } = fanWiring({ ...BARE, leadM: 5 });
    expect(section.byDropMm2).toBeGreaterThan(section.byCurrentMm2);
    expect(section.mm2).toBe(section.byDropMm2);
    // Ohm's law by hand: 10 m of 10 mm² copper are about 18 mΩ, and 18 A lose 0.32 V in them.
    expect(dropPercent).toBeCloseTo((0.0178 * 18 * 100) / 12, 6);
  });

  it("loses half the share at 24 V", () => {
    const at24 = fanWiring({ ...BARE, leadM: 5, supply: { volts: 24, unit: "bare motor" } });
    expect(at24.section.byDropMm2).toBeLessThan(fanWiring({ ...BARE, leadM: 5 }).section.byDropMm2);
  });

  it("goes straight through the thermal switch where that carries it, and says that it runs on", () => {
    const { relay, wires, keyOff } = fanWiring({ ...BARE, motorAmps: 8, startAmps: 20 });
    expect(relay).toBe(false);
    expect(wires.map(({ id }) => id)).toEqual(["battery", "switched", "ground"]);
    expect(keyOff).toMatch(/runs on/);
    expect(fanWiring({ ...BARE, motorAmps: 8, startAmps: 20, triggers: ["switch", "manual"] }).relay).toBe(
      true,
    );
  });

  it("of a self-contained unit are five wires, and no relay of its own", () => {
    const { relay, softStart, wires } = fanWiring({
      ...BARE,
      supply: { volts: 12, unit: "self-contained" },
      startAmps: 20,
      triggers: ["manual"],
    });
    expect([relay, softStart]).toEqual([false, "built in"]);
    expect(wires.map(({ to }) => to.replace("unit: ", ""))).toEqual([
      "battery feed",
      "key-on feed",
      expect.stringMatching(/^battery −/),
      "air-conditioning trigger",
      "manual trigger",
    ]);
    expect(wires.find(({ id }) => id === "trigger: air-con")?.why).toMatch(/insulated/);
  });

  it("protects every wire, loses no more than 3 %, and lets no feed go unfused", () => {
    const carries: Record<number, number> = {
      0.5: 5,
      0.75: 8,
      1: 11,
      1.5: 15,
      2.5: 22,
      4: 30,
      6: 40,
      10: 55,
      16: 80,
    };
    const fan = fc.record({
      motorAmps: fc.double({ min: 0.5, max: 40, noNaN: true }),
      leadM: fc.double({ min: 0.2, max: 4, noNaN: true }),
      supply: fc.record({
        volts: fc.constantFrom(12, 24),
        unit: fc.constantFrom("bare motor" as const, "self-contained" as const),
      }),
      triggers: fc.uniqueArray(fc.constantFrom(...FAN_TRIGGERS), { minLength: 1 }),
    });
    fc.assert(
      fc.property(fan, (given) => {
        const { fuseA, section, wires, dropV } = fanWiring(given);
        expect(fuseA).toBeGreaterThanOrEqual(1.25 * given.motorAmps - 1e-6);
        expect(carries[section.mm2]).toBeGreaterThanOrEqual(fuseA);
        expect(dropV).toBeLessThanOrEqual(0.03 * given.supply.volts + 1e-9);
        for (const wire of wires)
          if (/^battery \+|key on/.test(wire.from))
            expect(wire.fuseA).toBeLessThanOrEqual(carries[wire.mm2] ?? 0);
        expect(wires.find(({ id }) => id === "ground")?.mm2).toBe(section.mm2);
        const named = wires.filter(({ from }) => from !== "nothing").map(({ id }) => id);
        for (const trigger of given.triggers)
          if (given.supply.unit === "bare motor" && (given.triggers.length > 1 || trigger !== "switch"))
            expect(named).toContain(`trigger: ${trigger}`);
      }),
    );
  });

  it("advises a soft start where the first rush is hard", () => {
    expect(fanWiring({ ...BARE, motorAmps: 30, startAmps: 110 }).softStart).toBe("advised");
  });

  it.each<[string, Partial<FanToWire>]>([
    ["no motor", { motorAmps: 0 }],
    ["no figure", { motorAmps: Number.NaN }],
    ["one that starts with less than it runs on", { startAmps: 2 }],
    ["6 V", { supply: { volts: 6, unit: "bare motor" } }],
    ["a lead to nowhere", { leadM: 0 }],
    ["a lead that no wire is thick enough for", { motorAmps: 60, startAmps: 100, leadM: 12 }],
    ["a rush that no fuse holds", { motorAmps: 50, startAmps: 390 }],
    ["nothing that starts it", { triggers: [] }],
    ["a trigger nobody knows", { triggers: ["wind" as FanTrigger] }],
  ])("refuses %s", (_, change) => expect(() => fanWiring({ ...BARE, ...change })).toThrow(RangeError));
});
