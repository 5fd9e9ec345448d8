import type { Account, Entry } from "../../book/entry/index.ts";
import { outOpen } from "../../book/out/index.ts";
import { WAYS_BACK } from "../../trade/order/index.ts";

/** What came off on another job, as far as it is needed to ask for it again. */
export interface CameOff {
  account: Account;
  item: string;
  place: string;
  count: number;
  where?: string;
}

export interface ComesOff extends CameOff {
  /** Written out on the last job on the model, or only usual at such a step: then nobody has said how many. */
  from: "last job" | "usual";
}

/** The words by which people say at what they were working: of a bag's text, a plug's place, a part's name. */
const AT_STEP: Readonly<Record<string, RegExp>> = {
  battery: /\bbatter/i,
  undertray: /\b(?:under ?tray|splash|skid)/i,
  intake: /\b(?:air ?box|intake|duct|cover)/i,
  lamps: /\b(?:lamp|light|marker)/i,
  bumper: /\b(?:bumper|front end|grille(?! shutter))/i,
  shutters: /\bshutter/i,
  plugs: /\b(?:plug|connector|fan plug|switch|sensor|loom|harness)/i,
  hoses: /\b(?:hose|clamp)/i,
  "oil-lines": /\b(?:oil|gearbox|cooler line|transmission)/i,
  fan: /\b(?:fan|shroud|cowl)/i,
  "charge-cooler": /\b(?:charge|intercooler)/i,
  condenser: /\bcondenser/i,
  radiator: /\b(?:radiator|bracket|peg)/i,
};

/** What a kind of thing tells by itself, before any word: plugs come off with the plugs. */
const BY_ACCOUNT: Partial<Record<Account, string>> = { connector: "plugs", "line-cap": "oil-lines" };

/** The order in which words are looked for: the rarer thing first, so that a fan's plug is a plug and a lamp's a lamp. */
const LOOKED_FOR = [
  "lamps",
  "shutters",
  "charge-cooler",
  "condenser",
  "oil-lines",
  "battery",
  "undertray",
  "bumper",
  "intake",
  "hoses",
  "fan",
  "radiator",
  "plugs",
];

/** At which step of the order a thing comes off, by its own words; nothing where they don't tell. */
export function stepOf({ account, item, place, where = "" }: CameOff): string | undefined {
  const words = `${where} ${item} ${place}`;
  const lamp = AT_STEP.lamps?.test(words) ? "lamps" : undefined;
  return lamp ?? BY_ACCOUNT[account] ?? LOOKED_FOR.find((step) => AT_STEP[step]?.test(words));
}

const PLUGS: readonly CameOff[] = ["left fan", "right fan", "switch", "sensor"].map((place) => ({
  account: "connector",
  item: "plug",
  place,
  count: 0,
}));

/**
 * What comes off with a step, to be asked for as it is done: as the last job on the model had it, by count and side; else what is
 * usual there, of which nobody has said how many. What the step itself writes out, what is out now and what went onto the bench
 * (a tool) is left out.
 */
export function comesOffWith(step: string, last: readonly CameOff[], entries: readonly Entry[]): ComesOff[] {
  const own = new Set(
    (WAYS_BACK[step]?.takes ?? []).map(({ account, item, place = "" }) => `${account}|${item}|${place}`),
  );
  const isAsked = ({ account, item, place }: CameOff) =>
    account !== "tool" &&
    account !== "coolant" &&
    !own.has(`${account}|${item}|${place}`) &&
    outOpen(entries, { account, item, place }) === 0;
  const known = last.filter((each) => stepOf(each) === step);
  const asked = known.map((each): ComesOff => ({ ...each, from: "last job" }));
  const usual = step === "plugs" && known.length === 0 ? PLUGS : [];
  return [...asked, ...usual.map((each): ComesOff => ({ ...each, from: "usual" }))].filter(isAsked);
}
