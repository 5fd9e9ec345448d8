import type { Circuit, CircuitKind, CircuitTest, Component } from "./knowledge.ts";

const part = (id: string, name: string, column: number, row: number, ...faults: string[]): Component => ({
  id,
  name,
  at: [column, row],
  faults,
});

const BATTERY = part("battery", "battery", 0, 1);
const FUSE = part("fuse", "fuse", 1, 1, "fuse");
const SWITCH_FAULTS = ["switch-open", "switch-stuck", "switch-rating", "switch-drifted"];
const MOTOR_FAULTS = ["motor", "motor-stiff", "fan-backwards"];

/** Tests that look at one thing and need no current through a path. */
const onSwitch = (component: string): CircuitTest[] => [
  { test: "stamp", probes: [component] },
  { test: "switch-hot", probes: [component] },
  { test: "switch-pot", probes: [component] },
  { test: "switch-unplug", probes: [component] },
];
const onSensor: CircuitTest[] = [
  { test: "live-cold", probes: ["sensor"] },
  { test: "live-hot", probes: ["sensor"] },
  { test: "sensor-ohms", probes: ["sensor"] },
];
const onFan = (motorPath: string[]): CircuitTest[] => [
  { test: "fan-cold" },
  { test: "fuses", path: ["fuse"], probes: ["fuse"] },
  { test: "plugs" },
  { test: "feed-motor", path: ["motor"], probes: ["battery", "motor"] },
  { test: "paper", path: motorPath, probes: ["motor"] },
  { test: "motor-draw", path: motorPath, probes: ["motor"] },
  { test: "ground-drop", probes: ["motor", "ground"] },
  { test: "feed-drop", probes: ["battery", "feed"] },
  { test: "ac-unplug", probes: ["ac"] },
];

const SWITCH_1: Circuit = {
  kind: "switch-1",
  name: "two-pin switch feeds the fan",
  components: [
    BATTERY,
    FUSE,
    part("feed", "feed wire", 2, 1, "feed"),
    part("plug", "switch plug", 3, 1, "switch-plug"),
    part("switch", "switch", 4, 1, ...SWITCH_FAULTS),
    part("ac", "A/C trigger", 4, 0, "ac-trigger"),
    part("fan-plug", "fan plug", 5, 1, "fan-plug"),
    part("motor", "fan", 6, 1, ...MOTOR_FAULTS),
    part("ground", "ground", 7, 1, "ground"),
  ],
  feeds: [
    ["battery", "fuse"],
    ["fuse", "feed"],
    ["feed", "plug"],
    ["plug", "switch"],
    ["feed", "ac"],
    ["switch", "fan-plug"],
    ["ac", "fan-plug"],
    ["fan-plug", "motor"],
    ["motor", "ground"],
  ],
  commands: [],
  tests: [
    ...onFan(["fuse", "feed", "fan-plug", "motor", "ground"]),
    { test: "ac-on", path: ["fuse", "feed", "fan-plug", "motor", "ground"], probes: ["ac"] },
    { test: "jumper", path: ["fuse", "feed", "fan-plug", "motor", "ground"], probes: ["plug", "switch"] },
    ...onSwitch("switch"),
  ],
};

const SWITCH_2: Circuit = {
  kind: "switch-2",
  name: "three-pin switch, two stages",
  components: [
    BATTERY,
    FUSE,
    part("feed", "feed wire", 2, 1, "feed"),
    part(
      "plug",
      "switch",
      3,
      1,
      "switch-plug",
      "switch-open",
      "switch-stuck",
      "switch-rating",
      "switch-drifted",
    ),
    part("low", "low stage", 4, 0, "switch-low-dead"),
    part("high", "high stage", 4, 2, "switch-high-dead"),
    part("resistor", "resistor", 5, 0, "resistor"),
    part("ac", "A/C trigger", 4, 3, "ac-trigger"),
    part("fan-plug", "fan plug", 5, 1, "fan-plug"),
    part("motor", "fan", 6, 1, ...MOTOR_FAULTS),
    part("ground", "ground", 7, 1, "ground"),
  ],
  feeds: [
    ["battery", "fuse"],
    ["fuse", "feed"],
    ["feed", "plug"],
    ["plug", "low"],
    ["plug", "high"],
    ["feed", "ac"],
    ["low", "resistor"],
    ["resistor", "fan-plug"],
    ["high", "fan-plug"],
    ["ac", "fan-plug"],
    ["fan-plug", "motor"],
    ["motor", "ground"],
  ],
  commands: [],
  tests: [
    ...onFan(["fuse", "feed", "fan-plug", "motor", "ground"]),
    { test: "ac-on", path: ["fuse", "feed", "fan-plug", "motor", "ground"], probes: ["ac"] },
    {
      test: "jumper-low",
      path: ["fuse", "feed", "resistor", "fan-plug", "motor", "ground"],
      probes: ["plug", "resistor"],
    },
    { test: "jumper-high", path: ["fuse", "feed", "fan-plug", "motor", "ground"], probes: ["plug", "motor"] },
    ...onSwitch("plug"),
  ],
};

const RELAY_FAULTS = ["relay-coil", "relay-contacts", "relay-welded", "socket-burnt", "coil-feed"];

const SWITCH_RELAYS: Circuit = {
  kind: "switch-relays",
  name: "switch grounds two relays, a fan each",
  perFan: ["relay", "fan-plug", "motor"],
  components: [
    BATTERY,
    FUSE,
    part("feed", "feed wire", 2, 1, "feed"),
    part("relay", "relays", 3, 1, ...RELAY_FAULTS),
    part("wire", "command wire", 3, 2, "control-wire"),
    part("plug", "switch plug", 4, 2, "switch-plug"),
    part("switch", "switch", 5, 2, ...SWITCH_FAULTS),
    part("ac", "A/C trigger", 3, 0, "ac-trigger"),
    part("fan-plug", "fan plug", 4, 1, "fan-plug"),
    part("motor", "fan", 5, 1, ...MOTOR_FAULTS),
    part("ground", "ground", 6, 1, "ground"),
  ],
  feeds: [
    ["battery", "fuse"],
    ["fuse", "feed"],
    ["feed", "relay"],
    ["relay", "fan-plug"],
    ["fan-plug", "motor"],
    ["motor", "ground"],
  ],
  commands: [
    ["ac", "relay"],
    ["wire", "relay"],
    ["plug", "wire"],
    ["switch", "plug"],
  ],
  tests: [
    ...onFan(["fuse", "feed", "relay", "fan-plug", "motor", "ground"]),
    { test: "ac-on", path: ["fuse", "feed", "relay", "fan-plug", "motor", "ground"], probes: ["ac"] },
    {
      test: "ground-command",
      path: ["fuse", "feed", "relay", "wire", "fan-plug", "motor", "ground"],
      probes: ["plug", "ground"],
    },
    { test: "relay-swap", probes: ["relay"] },
    { test: "relay-socket", probes: ["relay"] },
    { test: "socket-look", probes: ["relay"] },
    { test: "coil-volts", probes: ["relay"] },
    { test: "wire-through", probes: ["plug", "relay"] },
    ...onSwitch("switch"),
  ],
};

/** A computer that listens to the coolant sensor and commands what drives the fan. */
function computerCircuit(
  kind: CircuitKind,
  name: string,
  { driver, wire, tests }: { driver: Component; wire: string; tests: CircuitTest[] },
): Circuit {
  const output = ["fuse", "feed", driver.id, "fan-plug", "motor", "ground"];
  const commanded = ["fuse", "feed", driver.id, "wire", "computer", "fan-plug", "motor", "ground"];
  return {
    kind,
    name,
    components: [
      BATTERY,
      FUSE,
      part("feed", "feed wire", 2, 1, "feed"),
      driver,
      part("wire", wire, 3, 2, "control-wire"),
      part("computer", "computer", 2, 3, "computer"),
      part("sensor-plug", "sensor plug", 1, 3, "sensor-plug"),
      part("sensor", "sensor", 0, 3, "sensor-open", "sensor-short", "sensor-biased"),
      part("ac", "A/C trigger", 4, 3, "ac-trigger"),
      part("fan-plug", "fan plug", 4, 1, "fan-plug"),
      part("motor", "fan", 5, 1, ...MOTOR_FAULTS),
      part("ground", "ground", 6, 1, "ground"),
    ],
    feeds: [
      ["battery", "fuse"],
      ["fuse", "feed"],
      ["feed", driver.id],
      [driver.id, "fan-plug"],
      ["fan-plug", "motor"],
      ["motor", "ground"],
    ],
    commands: [
      ["sensor", "sensor-plug"],
      ["sensor-plug", "computer"],
      ["ac", "computer"],
      ["computer", "wire"],
      ["wire", driver.id],
    ],
    tests: [
      ...onFan(output),
      { test: "ac-on", path: commanded, probes: ["ac"] },
      { test: "unplug-sensor", path: commanded, probes: ["sensor-plug"] },
      { test: "command", path: commanded, probes: ["computer"] },
      ...tests,
      { test: "wire-through", probes: ["computer", driver.id] },
      ...onSensor,
    ],
  };
}

const ECU_RELAY = computerCircuit("ecu-relay", "computer grounds a relay", {
  driver: part("relay", "relay", 3, 1, ...RELAY_FAULTS),
  wire: "control wire",
  tests: [
    { test: "relay-swap", probes: ["relay"] },
    { test: "relay-socket", probes: ["relay"] },
    { test: "socket-look", probes: ["relay"] },
    { test: "coil-volts", probes: ["relay"] },
  ],
});

const ECU_MODULE = computerCircuit("ecu-module", "computer drives a fan module", {
  driver: part("module", "fan module", 3, 1, "module"),
  wire: "duty wire",
  tests: [{ test: "duty", probes: ["wire", "module"] }],
});

const SELF_CONTAINED: Circuit = {
  kind: "self-contained",
  name: "fan unit with its own thermostat",
  components: [
    BATTERY,
    FUSE,
    part("feed", "battery feed", 2, 1, "feed"),
    part("keyed", "key-on feed", 2, 2, "control-wire"),
    part("module", "soft start", 3, 1, "module"),
    part("switch", "own thermostat", 3, 2, "switch-open", "switch-stuck", "switch-drifted"),
    part("ac", "A/C trigger", 3, 0, "ac-trigger"),
    part("fan-plug", "fan plug", 4, 1, "fan-plug"),
    part("motor", "fan", 5, 1, ...MOTOR_FAULTS),
    part("ground", "ground", 6, 1, "ground"),
  ],
  feeds: [
    ["battery", "fuse"],
    ["fuse", "feed"],
    ["feed", "module"],
    ["module", "fan-plug"],
    ["fan-plug", "motor"],
    ["motor", "ground"],
  ],
  commands: [
    ["keyed", "switch"],
    ["switch", "module"],
    ["ac", "module"],
  ],
  tests: [
    ...onFan(["fuse", "feed", "module", "fan-plug", "motor", "ground"]),
    { test: "ac-on", path: ["fuse", "feed", "module", "fan-plug", "motor", "ground"], probes: ["ac"] },
    {
      test: "manual-trigger",
      path: ["fuse", "feed", "module", "fan-plug", "motor", "ground"],
      probes: ["battery", "module"],
    },
    { test: "wire-through", probes: ["keyed", "module"] },
    { test: "switch-hot", probes: ["switch"] },
    { test: "switch-pot", probes: ["switch"] },
    { test: "switch-unplug", probes: ["switch"] },
  ],
};

const VISCOUS: Circuit = {
  kind: "viscous",
  name: "belt-driven fan on a clutch",
  components: [
    part("belt", "belt and pulley", 0, 1, "belt-slack"),
    part("clutch", "fan clutch", 2, 1, "clutch-slips", "clutch-locked"),
    part("fan", "fan blades", 4, 1),
    part("shroud", "shroud", 5, 1, "shroud-missing"),
    part("core", "radiator", 6, 1, "core-blocked-inside", "core-blocked-outside"),
  ],
  feeds: [
    ["belt", "clutch"],
    ["clutch", "fan"],
    ["fan", "shroud"],
    ["shroud", "core"],
  ],
  commands: [],
  tests: [{ test: "clutch-spin", probes: ["clutch"] }],
};

export const CIRCUITS: Record<CircuitKind, Circuit> = {
  "switch-1": SWITCH_1,
  "switch-2": SWITCH_2,
  "switch-relays": SWITCH_RELAYS,
  "ecu-relay": ECU_RELAY,
  "ecu-module": ECU_MODULE,
  "self-contained": SELF_CONTAINED,
  viscous: VISCOUS,
};

/** Where the tests that every car has are done on the map, if there. */
export const COOLANT_PROBES: Record<string, string[]> = {
  belt: ["belt"],
  fins: ["shroud", "core"],
  "core-hot": ["core"],
};
