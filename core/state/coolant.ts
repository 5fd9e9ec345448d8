import { type Entry, inTrueOrder, onceStanding, type StandingEntry } from "../book/entry/index.ts";
import { factOf, MixRead, Strength } from "../book/facts/index.ts";
import { type Base, KINDS, type Kind, STRONGEST } from "../trade/coolant/index.ts";
import { JUG_SHARE } from "../trade/limits/index.ts";

/** A figure with the least and the most that it may be. */
export interface Span {
  low: number;
  likely: number;
  high: number;
}

/** The part of a cooling card that says what a system holds. */
export interface CoolantCard {
  capacityL: number;
  targetFraction: number;
  coolantKind: string;
  coolantProduct?: string;
}

/** One kind of coolant in a system. `unknown` is what nobody has named. */
export interface KindIn {
  kind: Kind | "unknown";
  /** Litres of the mix as it was poured, at most, and their share of all that is in the system, water too. */
  litres: number;
  share: number;
}

export interface CoolantState {
  capacityL: number;
  litres: Span;
  /** Litres of pure glycol, and its share of what is in the system. */
  glycolL: Span;
  fraction: Span;
  /** What it is made of; absent where nobody knows, or where both are in it. */
  base?: Base;
  kinds: readonly KindIn[];
  /** Litres of plain water among it that nobody mixed before. */
  waterL: number;
  /** What it would hold and doesn't: air, or what has still to be poured. */
  airL: Span;
  /** What an instrument read, where no litre has moved since. */
  read?: { fraction: number; at: string };
  /** More came out by the book than its card says it holds: one of the two is wrong. */
  isOverdrawn: boolean;
}

/** Something clings to pans and hoses, litres. */
const CLINGS_L = 0.1;
/** What an instrument is off by. */
const READ_OFF = 0.02;
/** Nobody has read what a car came in with: from weak to as strong as anybody mixes it. */
const UNREAD = { low: 0.2, high: STRONGEST };
/** Emptied beyond what its card says, so much of it has stayed in the block all the same. */
const STAYS_SHARE = 0.03;
/** Another kind that is no more than that of the whole is flushed out. */
export const FLUSHED_SHARE = 0.03;

interface Mix {
  litres: number;
  /** Litres by which the book may be off. */
  offL: number;
  glycolL: Span;
  kinds: Map<Kind | "unknown", number>;
  waterL: number;
  bases: Map<Base | "unknown", number>;
  capacityL: number;
  read?: { fraction: number; at: string };
  isOverdrawn: boolean;
}

const scaled = <Key>(shares: Map<Key, number>, by: number) => {
  for (const [key, litres] of shares) shares.set(key, litres * by);
};
const add = <Key>(shares: Map<Key, number>, key: Key, litres: number) =>
  shares.set(key, (shares.get(key) ?? 0) + litres);

/** So much of the mix leaves, as it is mixed then. */
function takeOut(mix: Mix, litres: number): void {
  const left = Math.max(0, mix.litres - litres);
  if (litres > mix.litres * (1 + JUG_SHARE) + CLINGS_L) mix.isOverdrawn = true;
  // More than was in it: what stayed is mixed as it was, though nobody knows how much.
  const stays = Math.max(left, Math.min(mix.litres, litres > mix.litres ? STAYS_SHARE * mix.capacityL : 0));
  const by = mix.litres > 0 ? stays / mix.litres : 0;
  scaled(mix.kinds, by);
  scaled(mix.bases, by);
  mix.waterL *= by;
  mix.glycolL = { low: mix.glycolL.low * by, likely: mix.glycolL.likely * by, high: mix.glycolL.high * by };
  mix.litres = stays;
  mix.offL += JUG_SHARE * litres;
}

const isKind = (text: string): text is Kind => KINDS.some((kind) => kind === text);

function kindOf({ kind, product }: Partial<Strength>, card: CoolantCard): Kind | "unknown" {
  if (kind) return kind;
  const isCards =
    product !== undefined && product.toLowerCase() === (card.coolantProduct ?? "").toLowerCase();
  return isCards && isKind(card.coolantKind) ? card.coolantKind : "unknown";
}

/** So much goes in; what there is no room for runs through and out, as when a system is flushed. */
function pourIn(mix: Mix, litres: number, said: Strength | undefined, card: CoolantCard): void {
  const roomL = Math.max(0, mix.capacityL - mix.litres);
  const throughL = Math.max(0, litres - roomL - mix.offL - CLINGS_L);
  if (throughL > 0 && mix.litres > 0) {
    const by = Math.exp(-throughL / mix.capacityL);
    scaled(mix.kinds, by);
    scaled(mix.bases, by);
    mix.waterL *= by;
    mix.glycolL = { low: mix.glycolL.low * by, likely: mix.glycolL.likely * by, high: mix.glycolL.high * by };
    const keptL = mix.litres * (1 - by);
    mix.litres -= keptL;
    litres = Math.min(litres, roomL + keptL + (litres - throughL - roomL));
  }
  const fraction = said?.fraction;
  mix.glycolL.low += litres * (fraction ?? 0);
  mix.glycolL.likely += litres * (fraction ?? card.targetFraction);
  mix.glycolL.high += litres * (fraction ?? 1);
  if (fraction === 0) mix.waterL += litres;
  else {
    add(mix.kinds, kindOf(said ?? {}, card), litres);
    add(mix.bases, said?.base ?? "unknown", litres);
  }
  mix.litres += litres;
  mix.offL += JUG_SHARE * litres;
}

function took(mix: Mix, entry: StandingEntry, card: CoolantCard): void {
  const said = factOf(entry)?.fact;
  if (said instanceof MixRead) {
    const { fraction, base } = said;
    mix.read = { fraction, at: entry.at };
    mix.glycolL = {
      low: Math.max(0, fraction - READ_OFF) * mix.litres,
      likely: fraction * mix.litres,
      high: Math.min(1, fraction + READ_OFF) * mix.litres,
    };
    if (base) mix.bases = new Map([[base, mix.litres]]);
    return;
  }
  if (entry.account !== "coolant" || entry.kind !== "movement") return;
  const { item, in: inL = 0, out: outL = 0 } = entry;
  if (item === "capacity") {
    mix.capacityL = Math.max(0.1, mix.capacityL + inL - outL);
    return;
  }
  if (inL <= 0 && outL <= 0) return;
  mix.read = undefined;
  if (outL > 0) takeOut(mix, outL);
  if (inL > 0) pourIn(mix, inL, said instanceof Strength ? said : undefined, card);
}

const span = (likely: number, off: number, most: number): Span => ({
  low: Math.max(0, likely - off),
  likely,
  high: Math.min(most, likely + off),
});

const isOfCoolant = (entry: StandingEntry) =>
  (entry.account === "coolant" && entry.kind === "movement") || factOf(entry)?.fact instanceof MixRead;

/** The lines that say what a system holds: what moved, and what an instrument read of it, in the order in which it was true. */
export const coolantLines = onceStanding(
  (entries): StandingEntry[] => inTrueOrder(entries).filter(isOfCoolant),
  isOfCoolant,
);

/**
 * What is in a cooling system now, by its card and everything that moved in its job's book, in the order in which it was true: litres,
 * glycol, of which kinds, how much plain water, how much air, each mixed through before the next litre leaves. An instrument's reading
 * holds until the next litre moves. Volumes are added as they are (real shrinkage is under 1 %).
 */
export function coolantState(entries: readonly Entry[], card: CoolantCard): CoolantState {
  const { capacityL, targetFraction, coolantKind } = card;
  const mix: Mix = {
    litres: capacityL,
    offL: 0,
    glycolL: {
      low: Math.min(UNREAD.low, targetFraction) * capacityL,
      likely: targetFraction * capacityL,
      high: UNREAD.high * capacityL,
    },
    kinds: new Map([[isKind(coolantKind) ? coolantKind : "unknown", capacityL]]),
    waterL: 0,
    bases: new Map([["unknown", capacityL]]),
    capacityL,
    isOverdrawn: false,
  };
  const all = coolantLines(entries);
  // What was missing as it came in was so from the start, whenever it was found out.
  const missingL = all
    .filter(({ account, item }) => account === "coolant" && item === "missing")
    .reduce((sum, { out = 0 }) => sum + out, 0);
  if (missingL > 0) takeOut(mix, missingL);
  for (const entry of all)
    if (entry.item !== "missing" || entry.account !== "coolant") took(mix, entry, card);
  const { litres, glycolL, offL, read } = mix;
  const shareOf = (part: number) => (litres > 0 ? Math.min(1, part / litres) : 0);
  const known = [...mix.bases].filter(([, part]) => shareOf(part) > FLUSHED_SHARE).map(([base]) => base);
  const [base] = known;
  return {
    capacityL: mix.capacityL,
    litres: span(litres, offL, Number.POSITIVE_INFINITY),
    glycolL,
    fraction: {
      low: shareOf(glycolL.low),
      likely: litres > 0 ? shareOf(glycolL.likely) : targetFraction,
      high: litres > 0 ? shareOf(glycolL.high) : targetFraction,
    },
    ...(known.length === 1 && base && base !== "unknown" ? { base } : {}),
    kinds: [...mix.kinds]
      .filter(([, part]) => part > 0)
      .map(([kind, part]) => ({ kind, litres: part, share: shareOf(part) }))
      .sort((a, b) => b.litres - a.litres),
    waterL: mix.waterL,
    airL: span(Math.max(0, mix.capacityL - litres), offL, mix.capacityL),
    ...(read ? { read } : {}),
    isOverdrawn: mix.isOverdrawn,
  };
}

/** The kinds that are in it beside one, each with more than a trace: what it would be mixed with. */
export const othersIn = ({ kinds }: CoolantState, kind: Kind): KindIn[] =>
  kinds.filter((each) => each.kind !== kind && each.share > FLUSHED_SHARE);
