import { describe, expect, it } from "vitest";
import { posterior, proven } from "../index.ts";
import {
  type Asked,
  CIRCUITS,
  type CircuitKind,
  handbookPriors,
  modelOf,
  REPAIRS,
  weighAsked,
} from "./index.ts";

type Results = Record<string, string>;

const evidenceOf = (results: Results) =>
  Object.entries(results).map(([test, outcome]) => ({ test, outcome }));

function believed(kind: CircuitKind, asked: Asked, results: Results) {
  const circuit = CIRCUITS[kind];
  const model = modelOf(circuit, { weights: weighAsked(handbookPriors(circuit), asked) });
  return Object.entries(posterior(model, evidenceOf(results))).sort((a, b) => b[1] - a[1]);
}

/** What a good technician says after these results; from the handbook's own sentences. */
const CASES: [says: string, kind: CircuitKind, asked: Asked, results: Results, top: string][] = [
  [
    "jumper runs the fan: the switch is what's left",
    "switch-1",
    { troubles: ["fan-never"] },
    { "warm-up": "no-fan", fuses: "sound", jumper: "runs", plugs: "clean" },
    "switch-open",
  ],
  [
    "jumper does nothing, fuse sound, motor fed directly runs: wiring or ground",
    "switch-1",
    { troubles: ["fan-never"] },
    { fuses: "sound", jumper: "stands", "feed-motor": "runs", "ground-drop": "high" },
    "ground",
  ],
  [
    "motor fed directly stands still",
    "switch-1",
    { troubles: ["fan-never"] },
    { fuses: "sound", jumper: "stands", "feed-motor": "stands" },
    "motor",
  ],
  [
    "a blown fuse and nothing by the jumper",
    "switch-2",
    { troubles: ["hot-standing"] },
    { fuses: "blown", "jumper-low": "stands", "jumper-high": "stands" },
    "fuse",
  ],
  [
    "low dead and high alive at the plug is the resistor",
    "switch-2",
    { troubles: ["hot-standing"] },
    { "jumper-low": "stands", "jumper-high": "runs", plugs: "clean" },
    "resistor",
  ],
  [
    "a switch of the wrong rating is a fault even when it works",
    "switch-2",
    { troubles: ["hot-standing"], happens: ["after recent work"] },
    { stamp: "other", "jumper-low": "runs", "jumper-high": "runs", "warm-up": "elsewhere" },
    "switch-rating",
  ],
  [
    "fans run with the command wire grounded: the switch",
    "switch-relays",
    { troubles: ["fan-never"] },
    { "ground-command": "runs", plugs: "clean", "switch-hot": "open" },
    "switch-open",
  ],
  [
    "a relay swapped and all is well",
    "switch-relays",
    { troubles: ["fan-never"] },
    { fuses: "sound", "ground-command": "one", "relay-swap": "cured" },
    "relay-contacts",
  ],
  [
    "fan from cold, and a swapped relay stops it: welded",
    "ecu-relay",
    { troubles: ["fan-always"] },
    { "fan-cold": "turns", "live-cold": "agree", "relay-swap": "cured" },
    "relay-welded",
  ],
  [
    "−40 on the reader after a night is an open circuit",
    "ecu-relay",
    { troubles: ["fan-always"], codes: "P0118" },
    { "live-cold": "coldest", "sensor-ohms": "open", plugs: "clean" },
    "sensor-open",
  ],
  [
    "−40 on the reader and sound ohms at the sensor itself: its plug",
    "ecu-module",
    { troubles: ["fan-always"] },
    { "live-cold": "coldest", "sensor-ohms": "on", plugs: "corroded" },
    "sensor-plug",
  ],
  [
    "feed, ground and duty there, motor alone runs: the module",
    "ecu-module",
    { troubles: ["fan-never"] },
    { duty: "all", "feed-motor": "runs", "unplug-sensor": "stands" },
    "module",
  ],
  [
    "no duty, wire whole end to end: the computer, by exclusion",
    "ecu-module",
    { troubles: ["fan-never"] },
    {
      duty: "no-duty",
      "wire-through": "whole",
      command: "stands",
      "unplug-sensor": "stands",
      "live-cold": "agree",
      "sensor-ohms": "on",
    },
    "computer",
  ],
  [
    "it stops when the air-conditioning trigger is unplugged",
    "ecu-relay",
    { troubles: ["fan-always"] },
    { "fan-cold": "turns", "ac-unplug": "stops" },
    "ac-trigger",
  ],
  [
    "a fan that blows against the wind",
    "switch-1",
    { troubles: ["hot-standing"], happens: ["after recent work"] },
    { paper: "against", "warm-up": "boils" },
    "fan-backwards",
  ],
  [
    "spins free when hot",
    "viscous",
    { troubles: ["hot-standing"] },
    { "clutch-spin": "free", "warm-up": "boils", fins: "clear" },
    "clutch-slips",
  ],
  [
    "slow to warm, warm hose from the start",
    "switch-1",
    { troubles: ["runs-cold"] },
    { "thermostat-watch": "early", "warm-up": "never-there" },
    "thermostat-open",
  ],
  [
    "hot everywhere, cold core, never opens",
    "ecu-relay",
    { troubles: ["hot-everywhere"] },
    { level: "line", "thermostat-watch": "never", "core-hot": "cold" },
    "thermostat-shut",
  ],
  [
    "hot on the road, cold stripes across the core",
    "ecu-relay",
    { troubles: ["hot-road"], happens: ["uphill"] },
    { "core-hot": "stripes", "flow-revs": "climbs", fins: "clear" },
    "core-blocked-inside",
  ],
  [
    "hay in the fins",
    "switch-2",
    { troubles: ["hot-road"], happens: ["hot weather"] },
    { fins: "blocked", "core-hot": "even" },
    "core-blocked-outside",
  ],
  [
    "gurgles behind the dash after a refill, bubbles that stop",
    "self-contained",
    { troubles: ["no-heat"], happens: ["after recent work"] },
    { heater: "gurgles", bubbles: "stop" },
    "air-lock",
  ],
  [
    "bubbles that never stop and a fluid that turns: gas",
    "ecu-module",
    { troubles: ["hot-everywhere"], level: "low" },
    { bubbles: "never-stop", "gas-test": "gas" },
    "head-gasket",
  ],
  [
    "falls under pressure and is wet at the seam",
    "switch-relays",
    { troubles: ["loses"], level: "low" },
    { "pressure-test": "wet-radiator", look: "wet-radiator" },
    "leak-radiator",
  ],
  [
    "falls under pressure, dry outside, film inside",
    "switch-relays",
    { troubles: ["loses"], level: "low" },
    { "pressure-test": "dry", look: "wet-inside", "gas-test": "none" },
    "leak-heater",
  ],
  [
    "tight, but the cap lets go early",
    "switch-1",
    { troubles: ["loses"] },
    { "pressure-test": "holds", "cap-test": "weak", look: "wet-cap" },
    "cap-weak",
  ],
  [
    "gauge in the red, reader and thermometer cool",
    "ecu-relay",
    { troubles: ["gauge-high"] },
    { gauge: "high", "live-hot": "agree", "warm-up": "as-card" },
    "gauge-high",
  ],
  [
    "hot, but only as hot as it is meant to be",
    "ecu-relay",
    { troubles: ["fan-never"] },
    { "warm-up": "as-card", gauge: "agree", level: "line", "thermostat-watch": "opens", "ac-on": "runs" },
    "nothing-wrong",
  ],
];

describe("what the trade says of results", () => {
  it.each(CASES)("%s", (_, kind, asked, results, top) => {
    const [first] = believed(kind, asked, results);
    expect(first?.[0]).toBe(top);
  });

  it.each(CASES)("%s: and no other repair mends as much of what is left", (_, kind, asked, results, top) => {
    const belief = believed(kind, asked, results);
    const mends = (fixes: readonly string[]) =>
      belief.reduce((sum, [id, share]) => sum + (fixes.includes(id) ? share : 0), 0);
    const best = REPAIRS.toSorted((one, other) => mends(other.fixes) - mends(one.fixes))[0];
    expect(best?.fixes).toContain(top);
  });

  it.each([
    [
      "unplugging the sensor runs the fan: relay, motor and wiring are proven",
      "ecu-relay",
      { "unplug-sensor": "runs" },
      ["relay", "motor", "fuse", "ground", "wire", "computer"],
    ],
    [
      "commanding it proves the output side at once",
      "ecu-module",
      { command: "runs" },
      ["module", "motor", "fuse", "ground", "wire", "computer"],
    ],
    [
      "a jumper proves all but the switch",
      "switch-1",
      { jumper: "runs" },
      ["fuse", "feed", "motor", "ground"],
    ],
    [
      "the unit's manual trigger proves all but its thermostat",
      "self-contained",
      { "manual-trigger": "runs" },
      ["fuse", "feed", "module", "motor", "ground"],
    ],
    ["a meter proves the fuse and nothing else", "switch-2", { fuses: "sound" }, ["fuse"]],
  ] as const)("%s", (_, kind, results, parts) => {
    const map = proven(CIRCUITS[kind], evidenceOf(results));
    for (const part of parts) expect(map[part], part).toBe("proven");
    if (parts.length === 1) expect(map.motor).toBe("untested");
  });

  it("a shared fault is likelier than two when both fans are dead, and one repair is tried before two", () => {
    const both = believed(
      "switch-relays",
      { troubles: ["fan-never"] },
      { "ground-command": "stands", fuses: "sound", "relay-swap": "same" },
    );
    const shared = ["feed", "ground", "control-wire"];
    const share = both.reduce((sum, [id, each]) => sum + (shared.includes(id) ? each : 0), 0);
    expect(share).toBeGreaterThan(0.7);
  });

  it("one fan of two ran: what that fan has to itself, and nothing that both share", () => {
    const one = believed("switch-relays", { troubles: ["hot-standing"] }, { "ground-command": "one" });
    const own = ["motor", "fan-plug", "relay-coil", "relay-contacts", "socket-burnt", "coil-feed"];
    expect(one.reduce((sum, [id, each]) => sum + (own.includes(id) ? each : 0), 0)).toBeGreaterThan(0.85);
    expect(one.find(([id]) => id === "switch-open")?.[1]).toBeLessThan(0.02);
  });
});

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
