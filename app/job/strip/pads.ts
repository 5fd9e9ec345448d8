import { type Account, type Entry, standing } from "../../../core/book/entry/index.ts";
import type { LearnedOut } from "../../../core/stages/earlier-jobs/index.ts";

export interface Pad {
  account: Account;
  item: string;
  place?: string;
}

/** What the pads offer, learned from the last job on the same model. */
export interface Pads {
  taps: Pad[];
  sizes: string[];
  tools: string[];
}

/** What comes off most often, in the order in which it does. */
const USUAL: Pad[] = [
  { account: "part", item: "undertray" },
  { account: "part", item: "airbox" },
  { account: "hose", item: "hose", place: "upper" },
  { account: "hose", item: "hose", place: "lower" },
  { account: "connector", item: "plug", place: "left fan" },
  { account: "connector", item: "plug", place: "right fan" },
  { account: "connector", item: "plug", place: "switch" },
  { account: "connector", item: "plug", place: "sensor" },
  { account: "part", item: "shroud" },
  { account: "part", item: "fan" },
  { account: "part", item: "thermostat" },
  { account: "part", item: "radiator" },
];
const MOST_TAPS = 18;
const keyOf = ({ account, item, place = "" }: Pad) => `${account}|${item}|${place}`.toLowerCase();

/** What was learned first, then the usual, none twice. */
export const learnedFirst = (learned: readonly string[], usual: readonly string[]): string[] => [
  ...new Set([...learned, ...usual]),
];

/** The pads for a job: in the order of the last one on the same model, the usual ones after it. */
export function padsFrom(outs: readonly LearnedOut[]): Pads {
  const taps = new Map<string, Pad>();
  for (const { account, item, place } of outs)
    if (account === "part" || account === "hose" || account === "connector") {
      const pad: Pad = { account, item, ...(place ? { place } : {}) };
      taps.set(keyOf(pad), pad);
    }
  for (const pad of USUAL) if (!taps.has(keyOf(pad))) taps.set(keyOf(pad), pad);
  const names = (accounts: Account[]) => [
    ...new Set(outs.filter(({ account }) => accounts.includes(account)).map(({ item }) => item)),
  ];
  return {
    taps: [...taps.values()].slice(0, MOST_TAPS),
    sizes: names(["fastener", "clip"]).slice(0, 8),
    tools: names(["tool"]).slice(0, 6),
  };
}

const held = (entries: readonly Entry[]) =>
  standing(entries).filter(({ account }) => account === "fastener" || account === "clip");

/** Sizes that this job's book has named: said once, they are tapped from then on. */
export const sizesSaid = (entries: readonly Entry[]): string[] => [
  ...new Set(held(entries).flatMap(({ item }) => (item ? [item] : []))),
];

/** The bags of this job with one empty one more, `fewest` at least. */
export function bagsOffered(entries: readonly Entry[], fewest: number): string[] {
  const numbers = held(entries).flatMap(({ place = "" }) => {
    const number = Number(/^bag (\d{1,3})$/i.exec(place)?.[1]);
    return Number.isInteger(number) ? [number] : [];
  });
  const many = Math.max(fewest, ...numbers.map((number) => number + 1));
  return Array.from({ length: many }, (_, index) => String(index + 1));
}
