import type { Entry } from "../entry/index.ts";
import { buildList } from "./build-list.ts";
import type { OutEntry } from "./out-now.ts";

/** A place where things lie that are out: a bag, or beside the car. */
export interface PlaceOut {
  place: string;
  isBag: boolean;
  items: OutEntry[];
  /** What is known to hold some of it up. */
  behind: string[];
}

const NUMBER = /\d+/;
const numberOf = (place: string) => Number(NUMBER.exec(place)?.[0] ?? Number.POSITIVE_INFINITY);

/** What is out by where it lies: bags by their number first, then the rest in the order in which it left. */
export function placesOut(entries: readonly Entry[]): PlaceOut[] {
  const places = new Map<string, PlaceOut>();
  for (const group of buildList(entries).reverse())
    for (const item of [...group.items].reverse()) {
      const place = item.place || "on its own";
      const key = place.toLowerCase();
      const here = places.get(key) ?? { place, isBag: /^bag\b/i.test(place), items: [], behind: [] };
      places.set(key, here);
      here.items.push(item);
      for (const holder of group.behind) if (!here.behind.includes(holder)) here.behind.push(holder);
    }
  const all = [...places.values()];
  const bags = all.filter(({ isBag }) => isBag).sort((a, b) => numberOf(a.place) - numberOf(b.place));
  return [...bags, ...all.filter(({ isBag }) => !isBag)];
}
