import type { Account } from "../entry.ts";

/** Sides and heights: always part of the place, said before the thing. */
export const SIDES = new Set(
  "left right upper lower top bottom front rear inner outer middle centre driver passenger near far".split(
    " ",
  ),
);

/** Words that name one kind of counted thing, with the item they write down. */
const COUNTED: Record<string, { account: Account; item: string }> = {
  bolt: { account: "fastener", item: "bolt" },
  bolts: { account: "fastener", item: "bolt" },
  nut: { account: "fastener", item: "nut" },
  nuts: { account: "fastener", item: "nut" },
  screw: { account: "fastener", item: "screw" },
  screws: { account: "fastener", item: "screw" },
  washer: { account: "fastener", item: "washer" },
  washers: { account: "fastener", item: "washer" },
  peg: { account: "fastener", item: "peg" },
  pegs: { account: "fastener", item: "peg" },
  clip: { account: "clip", item: "clip" },
  clips: { account: "clip", item: "clip" },
  clamp: { account: "clip", item: "clamp" },
  clamps: { account: "clip", item: "clamp" },
  plug: { account: "connector", item: "plug" },
  plugs: { account: "connector", item: "plug" },
  connector: { account: "connector", item: "plug" },
  connectors: { account: "connector", item: "plug" },
  hose: { account: "hose", item: "hose" },
  hoses: { account: "hose", item: "hose" },
};

/** What a word counts; nothing for a word that names no thing, whatever objects know by that name. */
export const countedThing = (word: string) => (Object.hasOwn(COUNTED, word) ? COUNTED[word] : undefined);

/** Words for parts and for the places named after them. */
export const PARTS = new Set(
  (
    "radiator fan fans shroud thermostat condenser switch sensor relay fuse pump undertray cover airbox intake battery " +
    "bumper grille bracket crossmember housing tank reservoir bottle cap module resistor heater cooler oil belt duct " +
    "pipe bush bushes grommet seal gasket o-ring headlamp lamp wheel arch liner guard skid plate harness motor core " +
    "coolant engine gearbox block neck bay box support panel frame mount mounts hook hooks saddle drain tap inlet outlet " +
    "charge-air steering column line lines fitting temperature thermal ground earth feed"
  ).split(" "),
);

export const MOVES = {
  out: ["out", "off", "remove", "removed"],
  in: ["in", "back", "on", "refit", "fit", "fitted"],
  unplug: ["unplug", "unplugged"],
  drain: ["drain", "drained"],
  spill: ["spill", "spilled", "spilt"],
  kept: ["kept", "keep"],
  missing: ["missing"],
  pour: ["add", "added", "pour", "poured", "fill", "filled", "top-up"],
  capacity: ["capacity"],
} as const;
export type Move = keyof typeof MOVES;

/** Words that open a reading, with the item written down and the dimension its figure must have. */
export const READINGS = {
  ect: { item: "coolant sensor", dimension: "temperature" },
  coolant: { item: "coolant sensor", dimension: "temperature" },
  iat: { item: "intake air", dimension: "temperature" },
  intake: { item: "intake air", dimension: "temperature" },
  room: { item: "room", dimension: "temperature" },
  hose: { item: "hose", dimension: "temperature" },
  revs: { item: "revs", dimension: "revs" },
  volts: { item: "voltage", dimension: "voltage" },
  ohms: { item: "resistance", dimension: "resistance" },
  cap: { item: "cap pressure", dimension: "pressure" },
  pressure: { item: "pressure", dimension: "pressure" },
  distance: { item: "distance", dimension: "distance" },
  odo: { item: "distance", dimension: "distance" },
} as const;
export type ReadingWord = keyof typeof READINGS;

/** Words that carry no meaning of their own in a line. */
export const FILLERS = new Set("of the a from at to and with x ×".split(" "));

/** A thread with or without its length: m6, M6x20, M8×1.25x25. */
export const THREAD = /^m\d+(?:[.,]\d+)?(?:[x×]\d+(?:[.,]\d+)?){0,2}$/i;

export const threadName = (word: string): string => word.toUpperCase().replace(/X/g, "×").replace(",", ".");
