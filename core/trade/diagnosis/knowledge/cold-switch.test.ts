import { describe, expect, it } from "vitest";
import { believed } from "./believed.fixture.ts";

describe("a switch in the radiator that stays cold is no dead switch", () => {
  const share = (belief: readonly (readonly [string, number])[], ids: string[]) =>
    belief.reduce((sum, [id, each]) => sum + (ids.includes(id) ? each : 0), 0);
  const COLD = ["thermostat-shut", "air-lock", "low-coolant", "pump-weak", "belt-slack", "hose-collapsed"];

  it.each(["switch-1", "switch-2", "switch-relays"] as const)(
    "%s: past the start, no fan, and the bridged plug runs it: not sold as the switch alone",
    (kind) => {
      const jumper = { "switch-1": "jumper", "switch-2": "jumper-high", "switch-relays": "ground-command" }[
        kind
      ];
      const belief = believed(
        kind,
        { troubles: ["hot-everywhere"] },
        { "warm-up": "no-fan", [jumper]: "runs" },
      );
      expect(share(belief, COLD)).toBeGreaterThan(0.3);
    },
  );

  it("and cold all over the core points at what keeps it cold", () => {
    const belief = believed(
      "switch-1",
      { troubles: ["hot-standing"] },
      { "warm-up": "no-fan", jumper: "runs", "switch-hot": "open", "core-hot": "cold" },
    );
    expect(share(belief, COLD)).toBeGreaterThan(0.7);
    expect(share(belief, ["switch-open"])).toBeLessThan(0.25);
  });

  it("while on a computer's sensor at the engine the same warm-up says nothing for a shut thermostat", () => {
    const belief = believed("ecu-relay", { troubles: ["hot-standing"] }, { "warm-up": "no-fan" });
    expect(share(belief, ["thermostat-shut"])).toBeLessThan(0.05);
  });
});

describe("what else the trade knows", () => {
  const top = (
    kind: Parameters<typeof believed>[0],
    asked: Parameters<typeof believed>[1],
    results: Record<string, string>,
  ) => believed(kind, asked, results)[0]?.[0];

  it.each([
    [
      "a slack belt is no bad pump",
      "ecu-relay",
      ["hot-road"],
      { belt: "slack", "flow-revs": "climbs" },
      "belt-slack",
    ],
    [
      "a pump that plays is no slack belt",
      "ecu-relay",
      ["hot-road"],
      { belt: "plays", "flow-revs": "climbs" },
      "pump-weak",
    ],
    [
      "fed directly it runs, by the jumper not: its own plug",
      "switch-1",
      ["fan-never"],
      { jumper: "stands", "feed-motor": "runs", plugs: "corroded", fuses: "sound" },
      "fan-plug",
    ],
    [
      "both pipes hot and the air lukewarm: the flap",
      "ecu-module",
      ["no-heat"],
      { heater: "lukewarm", "heater-pipes": "both" },
      "heater-flap",
    ],
    ["too thin by the refractometer", "viscous", ["hot-everywhere"], { strength: "off" }, "wrong-strength"],
    ["wet at the tank", "ecu-relay", ["loses"], { look: "wet-tank" }, "leak-tank"],
    [
      "wet at the housing, cold and under pressure",
      "ecu-relay",
      ["loses"],
      { look: "wet-housing", "pressure-test": "wet-housing" },
      "leak-housing",
    ],
    [
      "cream in the oil, no gas: the oil cooler",
      "ecu-relay",
      ["loses"],
      { "oil-look": "cream", "gas-test": "none", "pressure-test": "dry" },
      "leak-oil-cooler",
    ],
    [
      "draws too much",
      "ecu-relay",
      ["hot-standing"],
      { "motor-draw": "high", command: "runs" },
      "motor-stiff",
    ],
    [
      "no feed at the coil",
      "ecu-relay",
      ["fan-never"],
      { "relay-socket": "no-command", "coil-volts": "missing" },
      "coil-feed",
    ],
    [
      "a brown socket",
      "ecu-relay",
      ["fan-never"],
      { "relay-swap": "same", "socket-look": "burnt", command: "stands" },
      "socket-burnt",
    ],
  ] as const)("%s", (_, kind, troubles, results, expected) => {
    expect(top(kind, { troubles: [...troubles] }, results)).toBe(expected);
  });
});
