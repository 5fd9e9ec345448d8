import type { Account } from "../book/entry/index.ts";

/** Sides and heights: always part of the place, said before the thing. */
export const SIDES = new Set(
  (
    "left right upper lower top bottom front rear inner outer middle centre center driver passenger near far inboard " +
    "outboard offside nearside"
  ).split(" "),
);

/** A hose at the top is the upper one, whichever word is used for it. */
export const HOSE_SIDES: Readonly<Record<string, string>> = { top: "upper", bottom: "lower" };

/** What is counted by its kind, each kind with the account it is kept in. Phrases before single words. */
export const KINDS_COUNTED: Readonly<Record<string, { account: Account; item: string }>> = {
  bolt: { account: "fastener", item: "bolt" },
  nut: { account: "fastener", item: "nut" },
  screw: { account: "fastener", item: "screw" },
  washer: { account: "fastener", item: "washer" },
  stud: { account: "fastener", item: "stud" },
  peg: { account: "fastener", item: "peg" },
  rivet: { account: "fastener", item: "rivet" },
  spacer: { account: "fastener", item: "spacer" },
  "flange nut": { account: "fastener", item: "flange nut" },
  "lock nut": { account: "fastener", item: "lock nut" },
  "speed nut": { account: "fastener", item: "speed nut" },
  "spring washer": { account: "fastener", item: "spring washer" },
  "torx screw": { account: "fastener", item: "torx screw" },
  "hex bolt": { account: "fastener", item: "hex bolt" },
  "flange bolt": { account: "fastener", item: "flange bolt" },
  "self tapper": { account: "fastener", item: "self-tapper" },
  clip: { account: "clip", item: "clip" },
  "push clip": { account: "clip", item: "push clip" },
  "push pin": { account: "clip", item: "push pin" },
  "trim clip": { account: "clip", item: "trim clip" },
  "harness clip": { account: "clip", item: "harness clip" },
  "spring clip": { account: "clip", item: "spring clip" },
  "wire clip": { account: "clip", item: "wire clip" },
  scrivet: { account: "clip", item: "scrivet" },
  "cable tie": { account: "clip", item: "cable tie" },
  "zip tie": { account: "clip", item: "cable tie" },
  clamp: { account: "clip", item: "clamp" },
  "hose clamp": { account: "clip", item: "hose clamp" },
  "hose clip": { account: "clip", item: "hose clip" },
  "spring clamp": { account: "clip", item: "spring clamp" },
  "worm clamp": { account: "clip", item: "worm clamp" },
  "screw clamp": { account: "clip", item: "screw clamp" },
  "band clamp": { account: "clip", item: "band clamp" },
  "ear clamp": { account: "clip", item: "ear clamp" },
  "constant tension clamp": { account: "clip", item: "constant tension clamp" },
  plug: { account: "connector", item: "plug" },
  connector: { account: "connector", item: "plug" },
  "wiring plug": { account: "connector", item: "plug" },
  "electrical connector": { account: "connector", item: "plug" },
  hose: { account: "hose", item: "hose" },
};

/** Parts and places by more than one word; each is one name, whatever its words mean alone. */
const PHRASES = (
  "drain plug|drain tap|drain cock|bleed screw|bleed nipple|bleeder screw|fill plug|filler cap|fill cap|filler neck|radiator cap|" +
  "expansion tank|header tank|overflow tank|overflow bottle|coolant bottle|coolant tank|coolant reservoir|surge tank|degas bottle|" +
  "washer tank|washer bottle|washer pump|washer reservoir|washer neck|screen wash|fog lamp|fog light|head lamp|head light|" +
  "side light|number plate|licence plate|license plate|slam panel|lock carrier|radiator support|core support|tie bar|upper tie bar|" +
  "crash bar|bumper bar|bumper beam|bonnet catch|bonnet latch|bonnet cable|bonnet strut|hood latch|hood cable|hood strut|" +
  "wheel arch|arch liner|wheel liner|splash shield|splash guard|skid plate|belly pan|engine cover|under tray|air box|air filter|" +
  "air duct|intake duct|air guide|air deflector|air intake|foam strip|foam seal|grille shutter|active shutter|mass air flow|" +
  "throttle body|charge pipe|charge air|charge air cooler|charge air pipe|intercooler pipe|oil cooler|" +
  "transmission cooler|gearbox cooler|power steering cooler|heater core|heater valve|heater matrix|heater box|thermostat housing|" +
  "water pump|coolant pump|electric pump|auxiliary pump|aux pump|fan module|fan motor|fan blade|fan clutch|fan shroud|fan frame|" +
  "fan assembly|fan relay|fan switch|fan resistor|stage resistor|thermal switch|temperature switch|temp switch|temperature sensor|" +
  "temp sensor|coolant sensor|level sensor|level switch|pressure sensor|ambient sensor|air temp sensor|parking sensor|" +
  "crank sensor|oxygen sensor|oil pressure switch|ac line|ac pipe|ac condenser|ac compressor|air con|air conditioning|battery tray|" +
  "battery negative|battery positive|battery lead|battery clamp|ground wire|earth wire|ground strap|earth strap|wiring loom|" +
  "engine loom|fuse box|relay box|drive belt|serpentine belt|fan belt|belt tensioner|idler pulley|tow eye|tow hook|dip stick|" +
  "engine mount|upper mount|lower mount|radiator mount|radiator bush|rubber bush|rubber mount|heat shield|cross member|sub frame|" +
  "cable tray|drip tray|inner wing|inner fender|wiper arm|scuttle panel|cowl panel|strut brace|coil pack|ignition coil|horn bracket"
).split("|");

const SINGLE = (
  "radiator fan shroud thermostat condenser switch sensor relay fuse pump undertray cover airbox intake battery bumper grille " +
  "grill bracket crossmember housing tank reservoir bottle cap module resistor heater cooler oil belt duct pipe bush grommet seal " +
  "gasket o-ring headlamp headlight lamp light foglight wheel arch liner guard skid plate harness loom motor core coolant engine " +
  "gearbox transmission block neck bay box support panel frame mount hook saddle drain tap inlet outlet steering column line " +
  "fitting temperature thermal ground earth feed horn fog bonnet hood latch catch cable strut washer-tank mesh baffle foam strip " +
  "deflector shutter tray shield beam bar fender wing trim badge intercooler turbo filter snorkel resonator manifold pulley " +
  "tensioner compressor evaporator expansion-valve matrix firewall bulkhead dash heater-core lid door flap hinge tube elbow tee " +
  "connector-block adapter adaptor flange boss peg-hole insert bushing isolator damper spring strap band wire cowl scuttle wiper " +
  "alternator starter coil injector rail body throttle maf nipple bleeder valve probe element clutch blade hub rotor stator card " +
  "label sticker carpet mat apron spoiler lip splitter valance diffuser sill subframe carrier tie member brace stay"
)
  .split(" ")
  .map((word) => word.replaceAll("-", " ").replace("o ring", "o-ring"));

/** What people also call it. The name on the right is the one written down. */
const ALSO_CALLED: Readonly<Record<string, string>> = {
  rad: "radiator",
  stat: "thermostat",
  "t-stat": "thermostat",
  "under tray": "undertray",
  "air box": "airbox",
  "head lamp": "headlamp",
  "head light": "headlight",
  "fog light": "fog light",
  foglight: "fog light",
  "cross member": "crossmember",
  "sub frame": "subframe",
  "temp sensor": "temperature sensor",
  "temp switch": "temperature switch",
  "coolant temp sensor": "coolant sensor",
  "o2 sensor": "oxygen sensor",
  "lambda sensor": "oxygen sensor",
  "engine undertray": "undertray",
  fog: "fog lamp",
  grill: "grille",
  maf: "mass air flow",
};

const TOOLS = (
  "socket|ratchet|wrench|torque wrench|spanner|pliers|hose clamp pliers|clamp pliers|hose pliers|long nose pliers|screwdriver|magnet|" +
  "torch|work light|inspection lamp|jumper|fused jumper|jumper lead|fused lead|multimeter|meter|test lamp|test light|pick|hook tool|" +
  "pry bar|trim tool|clip tool|panel tool|funnel|spill free funnel|drain pan|drip pan|catch pan|pan|rag|rags|hammer|mallet|extension|" +
  "extension bar|breaker bar|bit|torx bit|hex key|allen key|knife|scraper|mirror|inspection mirror|thermometer|pressure tester|" +
  "refractometer|syringe|vacuum filler|stand|axle stand|jack|wedge|wooden block|bungee|strap tool|cable|extractor|tap and die"
).split("|");

function withPlurals(names: readonly string[]): Map<string, string> {
  const forms = new Map<string, string>();
  for (const name of names) {
    const last = name.at(-1);
    const plural = /(?:s|x|ch|sh)$/.test(name)
      ? `${name}es`
      : last === "y" && !/[aeiou]y$/.test(name)
        ? `${name.slice(0, -1)}ies`
        : `${name}s`;
    forms.set(plural, name);
    forms.set(name, name);
  }
  return forms;
}

/** Every name of a part or place, singular and plural, with the name that is written down. */
export const PARTS: ReadonlyMap<string, string> = new Map([
  ...withPlurals([...SINGLE, ...PHRASES]),
  ...[...withPlurals(Object.keys(ALSO_CALLED))].map(([form, name]): [string, string] => [
    form,
    ALSO_CALLED[name] ?? name,
  ]),
]);
export const TOOL_NAMES: ReadonlyMap<string, string> = withPlurals(TOOLS);
export const COUNTED_NAMES: ReadonlyMap<string, string> = withPlurals(Object.keys(KINDS_COUNTED));

/** Words that carry no meaning of their own between things. */
export const FILLERS = new Set(
  "of the a an from at to with its it that there into for by off-of behind under over is are was were my car's same took take taken".split(
    " ",
  ),
);

/** Sides that no one thing has both of: "upper lower hose" is two hoses. */
export const OPPOSITES: readonly (readonly [string, string])[] = [
  ["upper", "lower"],
  ["top", "bottom"],
  ["left", "right"],
  ["front", "rear"],
  ["inner", "outer"],
  ["driver", "passenger"],
  ["offside", "nearside"],
];

/** Parts that stand for themselves: behind another name they are a second thing, as in "airbox undertray". */
export const STAND_ALONE = new Set(
  (
    "radiator condenser undertray airbox bumper grille battery thermostat intercooler crossmember shroud headlight headlamp " +
    "bonnet hood reservoir"
  ).split(" "),
);

/** What turns a line round or takes something from it: never part of a name, whatever names a book has used. */
export const DENYING = new Set(["not", "no", "never", "without", "except", "but", "minus", "or", "nor"]);

/** Said of a thing without saying which, or on the way to the verb: "put the old radiator back". */
export const SAID_OF_THINGS = new Set(["put", "old", "new"]);

/** Counts as words. */
export const COUNT_WORDS: Readonly<Record<string, number>> = {
  one: 1,
  single: 1,
  two: 2,
  both: 2,
  pair: 2,
  three: 3,
  four: 4,
  five: 5,
  six: 6,
  seven: 7,
  eight: 8,
  nine: 9,
  ten: 10,
  eleven: 11,
  twelve: 12,
  dozen: 12,
};

/** What small things are kept in. */
export const CONTAINERS = new Set("bag tray cup tub tin jar pot".split(" "));

/** What happened to a thing, in the words people use; longer ones first where they start alike. */
export const MOVES: Readonly<Record<string, "out" | "in" | "unplug" | "plug-in">> = {
  out: "out",
  off: "out",
  remove: "out",
  removed: "out",
  "take off": "out",
  "took off": "out",
  "taken off": "out",
  "take out": "out",
  "took out": "out",
  "taken out": "out",
  "came off": "out",
  "came out": "out",
  "is off": "out",
  "are off": "out",
  "is out": "out",
  "are out": "out",
  undone: "out",
  unbolted: "out",
  unclipped: "out",
  unscrewed: "out",
  pulled: "out",
  "pulled off": "out",
  unplug: "unplug",
  unplugged: "unplug",
  disconnect: "unplug",
  disconnected: "unplug",
  in: "in",
  back: "in",
  on: "in",
  "back on": "in",
  "back in": "in",
  "is back": "in",
  "are back": "in",
  "is back on": "in",
  "are back on": "in",
  "is back in": "in",
  "are back in": "in",
  "put back": "in",
  "put back on": "in",
  "put back in": "in",
  "is on": "in",
  "are on": "in",
  "is in": "in",
  "are in": "in",
  "on again": "in",
  "in again": "in",
  refit: "in",
  refitted: "in",
  reinstalled: "in",
  installed: "in",
  fit: "in",
  fitted: "in",
  reconnect: "plug-in",
  reconnected: "plug-in",
  connect: "plug-in",
  connected: "plug-in",
  "plug in": "plug-in",
  "plugged in": "plug-in",
  "plug back in": "plug-in",
  "plugged back in": "plug-in",
  replug: "plug-in",
};
export type Move = (typeof MOVES)[string];
