import { answeredTest, proved, readCodes, sawGauge, sawSign, testedOwn } from "../book/acts/index.ts";
import type { EntryDraft } from "../book/entry/index.ts";
import type { BleedSign } from "../book/facts/index.ts";
import { proofWords } from "../state/index.ts";
import { PARTS, SIDES } from "./lexicon.ts";

const FAN = "(?:cooling |radiator |rad |left |right )?fans?";
const AMPS = "(?: ?\\d{1,2} ?(?:a|amps?))?";
const FUSE = `(?:\\d{1,2} ?(?:a|amps?) )?(?:${FAN} fuse|fuse for ${FAN}|fuse)${AMPS}`;
const MOTOR = `(?:${FAN} motor|motor|${FAN})`;
const DIRECT =
  "(?:(?:on|with|off|from) (?:direct (?:feed|power)|12 ?v(?:olts?)?(?: direct)?|jumper wires|fused lead)|straight (?:off|from|to) battery)";
const JUMPED = `(?:jumped|hot wired|powered|fed) ${MOTOR}(?: direct(?:ly)?)?`;
const RAN =
  "(?:runs?|ran|spins?|works|started|comes on|came on|kicks on|kicked on|kicks in|kicked in|is running)(?: now)?";
const STOOD =
  "(?:(?:doesn't|didn't|won't|does not|did not) (?:run|spin|work|start|come on|kick on)|stands|stood)";
const AC = "(?:ac|air con|aircon|air conditioning)";
const SENSOR = "(?:coolant |ect |temp |coolant temp )?sensor(?: plug)?";
const PULLED = `(?:(?:unplugged|pulled|disconnected) ${SENSOR}|${SENSOR} (?:unplugged|off))`;
const RELAY = "(?:swapped (?:out )?(?:fan )?relays?|(?:fan )?relays? swapped)";
const SAME = "(?:no change|no difference|same thing|same|nothing)";
const LEAKS = "(?:wet|weeping|weeps|leaking|leaks|leak|seeping|seeps|dripping|drips|drip) (?:at|from|on|in)";
const LEAKING = "(?:is )?(?:leaking|leaks|wet|seeping|dripping)";
const HOSES = "(?:upper|top|lower|bottom|heater)(?: radiator| rad)? hose";

/** The tests of the knowledge whose outcome is said in passing, by whole sayings. */
const FOUND: readonly (readonly [test: string, outcome: string, said: string])[] = [
  [
    "fuses",
    "blown",
    `(?:found )?${FUSE} (?:is |has |was )?(?:blown|popped|gone|burnt(?: out)?|burned(?: out)?)`,
  ],
  ["fuses", "blown", `(?:found )?(?:blown|popped|burnt|blew|popped) ${FUSE}`],
  ["feed-motor", "runs", `${MOTOR} ${RAN} ${DIRECT}`],
  ["feed-motor", "runs", `${JUMPED},? (?:${MOTOR} |it )?${RAN}`],
  ["feed-motor", "stands", `${MOTOR} (?:(?:is )?dead|${STOOD}) ${DIRECT}`],
  ["feed-motor", "stands", `no fan ${DIRECT}`],
  ["feed-motor", "stands", `${JUMPED},? nothing`],
  ["ac-on", "runs", `${FAN} ${RAN} with ${AC}(?: on)?`],
  ["ac-on", "runs", `${AC} on,? ${FAN} ${RAN}`],
  ["ac-on", "stands", `no fans? with ${AC}(?: on)?`],
  ["ac-on", "stands", `${AC} on,? no fans?`],
  ["ac-on", "stands", `${FAN} ${STOOD} with ${AC}(?: on)?`],
  ["unplug-sensor", "runs", `${PULLED},? ${FAN} ${RAN}`],
  ["unplug-sensor", "runs", `${FAN} ${RAN} with ${SENSOR} (?:unplugged|off)`],
  ["unplug-sensor", "stands", `${PULLED},? (?:no fans?|nothing|${FAN} ${STOOD})`],
  ["relay-swap", "cured", `${RELAY},? (?:now )?(?:${FAN}|it) ${RAN}`],
  ["relay-swap", "same", `${RELAY},? ${SAME}`],
  ["command", "runs", `${FAN} ${RAN} on command`],
  ["command", "runs", `commanded ${FAN},? (?:it|${FAN}) ${RAN}`],
  ["command", "stands", `${FAN} ${STOOD} on command`],
  ["command", "stands", `commanded ${FAN},? nothing`],
  [
    "plugs",
    "corroded",
    `(?:${FAN}|sensor|switch) (?:plug|connector) (?:is )?(?:corroded|green|burnt|melted)`,
  ],
  ["plugs", "corroded", `(?:green|corrosion) in (?:${FAN}|sensor|switch) (?:plug|connector)`],
  ["paper", "through", `${FAN} (?:spins|blows|turns|runs) right way|${FAN} pulls(?: air)? (?:in|through)`],
  [
    "paper",
    "against",
    `${FAN} (?:spins|blows|turns|runs) (?:wrong way|backwards)|${FAN} (?:is )?on backwards`,
  ],
  ["live-cold", "coldest", "sensor (?:reads|at|shows) (?:minus |-)40"],
  ["cap-test", "holds", "(?:radiator )?cap (?:holds(?: pressure| its rating)?|tests good|tests ok)"],
  ["cap-test", "weak", "(?:radiator )?cap (?:lets go early|(?:doesn't|won't|didn't) hold(?: pressure)?)"],
  [
    "gas-test",
    "gas",
    "(?:combustion gas|gas|block) test (?:is |was |came up )?(?:positive|yellow|turned yellow)",
  ],
  ["gas-test", "gas", "combustion gas in (?:tank|coolant|reservoir)"],
  [
    "gas-test",
    "none",
    "(?:combustion gas|gas|block) test (?:is |was |came up )?(?:negative|blue|stayed blue)",
  ],
  ["gas-test", "none", "no combustion gas"],
  ["bubbles", "never-stop", "bubbles (?:never|don't|won't) stop"],
  ["look", "wet-radiator", `${LEAKS} (?:radiator|rad)|(?:radiator|rad) ${LEAKING}`],
  ["look", "wet-hose", `${LEAKS} ${HOSES}|${HOSES} ${LEAKING}`],
  ["look", "wet-pump", `${LEAKS} (?:water |coolant )?pump|water pump ${LEAKING}`],
  ["look", "wet-housing", `${LEAKS} thermostat housing|thermostat housing ${LEAKING}`],
  ["look", "wet-tank", `${LEAKS} (?:expansion|header) tank|(?:expansion|header) tank ${LEAKING}`],
  ["look", "dry", "(?:bone )?dry all over|bone dry|no trails,? no drips|no drips,? no trails"],
  ["oil-look", "clean", "no oil in coolant|no cream under (?:filler|oil) cap"],
  [
    "oil-look",
    "cream",
    "oil in coolant|milky oil|oil (?:is )?milky|(?:cream|milkshake) under (?:oil|filler) cap",
  ],
  ["belt", "slack", "(?:serpentine |drive )?belt (?:is )?(?:slack|glazed|slipping|slips)"],
  [
    "fins",
    "blocked",
    "(?:condenser |radiator )?fins (?:are )?(?:packed|blocked|full|clogged)(?: (?:with|of) (?:bugs|dirt|mud|flies))?",
  ],
];
const TESTS = FOUND.map(([test, outcome, said]) => ({ test, outcome, said: new RegExp(`^(?:${said})$`) }));

/** How a thing of the car is said to be. Broken and missing things are to get, and no test. */
const BAD =
  "seized|dead|bad|shot|faulty|noisy|weak|worn(?: out)?|stuck(?: open| shut| closed)?|locked up|blocked|clogged|plugged up|weeping|" +
  "leaking|slack|loose|burnt(?: out)?|melted|corroded|cracked|perished|swollen|bent|split|blown|no good|not working|not clicking|" +
  "(?:doesn't|won't) (?:work|click|open|close)";
const GOOD = "ok|okay|good|fine|clicks|works|checks (?:good|ok)|tests (?:good|ok)";
const OWN = new RegExp(
  `^(?<what>[a-z0-9 -]{3,40}?) (?:is |are |was |has )?(?:(?<bad>${BAD})|(?<good>${GOOD}))$`,
);
const OWN_FIRST = /^(?<bad>bad|dead|seized|cracked|faulty|burnt|stuck) (?<what>[a-z0-9 -]{3,40})$/;

/** "Bad fan motor" is one; "coolant good", "engine dead" and a bare "fan ok" say too little of what was tested. */
const TOO_LITTLE = new Set(["coolant", "engine", "fan", "oil", "temp", "temperature", "level", "car", "it"]);

/** Whether every word of a name is one of the trade's: a side, then parts, one or two words each, or a fuse's number. */
function partOf(name: string): string | undefined {
  const words = name.split(" ");
  const told: string[] = [];
  for (let index = 0; index < words.length; ) {
    const used = [4, 3, 2, 1].find((many) => PARTS.has(words.slice(index, index + many).join(" ")));
    const word = words[index] ?? "";
    if (used) told.push(PARTS.get(words.slice(index, index + used).join(" ")) ?? word);
    else if (SIDES.has(word) || word === "cooling" || word === "hose" || /^f?\d{1,2}$/.test(word))
      told.push(word);
    else return undefined;
    index += used ?? 1;
  }
  return told.join(" ");
}

function ownTest(said: string): EntryDraft | undefined {
  const groups = (OWN_FIRST.exec(said) ?? OWN.exec(said))?.groups;
  if (!groups) return undefined;
  const what = partOf(groups.what ?? "");
  if (!what || TOO_LITTLE.has(what) || /^\d/.test(what)) return undefined;
  return testedOwn(what, groups.bad ? "fail" : "pass", groups.bad ?? groups.good);
}

/** What is seen of the air as it is let out, once the car is filled; before that the same words are tests. */
const SIGNS: readonly (readonly [BleedSign["sign"], BleedSign["verdict"], string])[] = [
  ["bubbles", "pass", "(?:bubbles (?:have )?(?:stopped|quit|gone)|no more bubbles|no bubbles|quit bubbling)"],
  ["bubbles", "fail", "still (?:bubbling|burping(?: air)?|getting bubbles)"],
  [
    "heater",
    "pass",
    "(?:heater (?:is )?(?:blows|blowing|hot)(?: hot)?|heat (?:is )?hot|hot air from heater)",
  ],
  ["heater", "fail", "heater (?:is )?(?:still |blows |blowing )(?:cold|cool)"],
  ["gurgle", "pass", "no (?:more )?gurgl(?:e|ing)"],
  ["gurgle", "fail", "(?:still )?gurgl(?:es|ing)(?: (?:behind|in) dash)?"],
];
const AIR = SIGNS.map(([sign, verdict, said]) => ({ sign, verdict, said: new RegExp(`^${said}$`) }));

/** What the same words are as a test, before anything was filled. */
const AS_TEST: Partial<Record<string, readonly [string, string]>> = {
  "bubbles pass": ["bubbles", "none"],
  "heater pass": ["heater", "hot"],
  "heater fail": ["heater", "lukewarm"],
  "gurgle fail": ["heater", "gurgles"],
};

/** An outcome that was said in a line: nobody was shown what its test can do to them. */
function outcomeOf(test: string, outcome: string): EntryDraft {
  const { data, ...draft } = answeredTest({ test, outcome });
  const { hazardsRead: _, ...said } = { ...data };
  return { ...draft, data: said };
}

const CODE = "[pbcu][0-3][\\da-f]{3}";
const CODES = new RegExp(
  `^(?:(?:got|pulled|threw|set|has|have|code|codes|stored|reads) )*(?<codes>${CODE}(?:,? ${CODE})*)(?<how> stored| set| pending| came up)?$`,
);
const NO_CODES = /^no (?:stored |more )?codes?(?: stored| set)?$/;

function codesOf(said: string): EntryDraft | undefined {
  if (NO_CODES.test(said)) return readCodes("none");
  const { codes, how } = CODES.exec(said.replace(/ and /g, " "))?.groups ?? {};
  if (!codes) return undefined;
  const named = codes.toUpperCase().match(/[PBCU][\dA-F]{4}/g) ?? [];
  return readCodes(`${named.join(" ")}${how === " pending" ? " pending" : ""}`);
}

const GAUGE: readonly (readonly [Parameters<typeof sawGauge>[0], RegExp])[] = [
  ["red", /^gauge (?:is |was |went )?(?:in|into) red$/],
  ["half", /^gauge (?:is |was |stays )?(?:in|at) (?:middle|normal|half)$/],
];
const ROAD = /^(?:test drive|road test|drove it|drove),? (?:is |was )?(?:ok|good|fine|all good)$/;
const DIRECTION = /^(?:fan) (?:spins|blows|turns|runs) (?<way>right|wrong) way$/;

/** What the same words prove once the car is filled. */
function provenIn(said: string): EntryDraft | undefined {
  if (ROAD.test(said)) return proved({ proof: "road", words: proofWords("road") }, "pass");
  const way = DIRECTION.exec(said)?.groups?.way;
  return way
    ? proved({ proof: "direction", words: proofWords("direction") }, way === "right" ? "pass" : "fail")
    : undefined;
}

/** What was found, as it is muttered: the outcome of a test, a part that is good or bad, the air's signs, codes. */
export function foundIn(said: string, isFilled: boolean): EntryDraft | undefined {
  const codes = codesOf(said);
  if (codes) return codes;
  const gauge = GAUGE.find(([, pattern]) => pattern.test(said));
  if (gauge) return sawGauge(gauge[0]);
  const proven = isFilled ? provenIn(said) : undefined;
  if (proven) return proven;
  const air = AIR.find((each) => each.said.test(said));
  if (air && isFilled) return sawSign(air.sign, air.verdict);
  const asTest = air && AS_TEST[`${air.sign} ${air.verdict}`];
  if (asTest) return outcomeOf(...asTest);
  if (air) return undefined;
  // Once it is filled a leak speaks against the work, and for no suspect.
  const found = TESTS.find((each) => !(isFilled && each.test === "look") && each.said.test(said));
  return found ? outcomeOf(found.test, found.outcome) : ownTest(said);
}
