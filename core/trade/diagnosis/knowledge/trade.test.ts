import { describe, expect, it } from "vitest";
import { proven } from "../index.ts";
import { type Asked } from "./asked.ts";
import { believed, evidenceOf, type Results } from "./believed.fixture.ts";
import { CIRCUITS } from "./circuits.ts";
import { type CircuitKind } from "./knowledge.ts";
import { REPAIRS } from "./repairs.ts";

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
    { troubles: ["hot-standing"], happens: ["after-work"] },
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
    { troubles: ["hot-standing"], happens: ["after-work"] },
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
    { troubles: ["hot-road"], happens: ["hot-weather"] },
    { fins: "blocked", "core-hot": "even" },
    "core-blocked-outside",
  ],
  [
    "gurgles behind the dash after a refill, bubbles that stop",
    "self-contained",
    { troubles: ["no-heat"], happens: ["after-work"] },
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
