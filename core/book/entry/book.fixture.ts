import type { Entry } from "./entry.ts";

/** A book for tests: entries numbered from 1, a minute apart, all by one person. */
export function book(drafts: Partial<Entry>[]): Entry[] {
  return drafts.map((draft, index) => ({
    id: `e${index + 1}`,
    jobId: "job",
    seq: index + 1,
    at: new Date(Date.UTC(2031, 2, 4, 8, index)).toISOString(),
    by: "tobin",
    stage: "strip",
    kind: "movement",
    ...draft,
  }));
}

export const bolts = (out: number, place = "bag 2", item = "M6×20"): Partial<Entry> => ({
  account: "fastener",
  item,
  place,
  out,
});
export const back = (count: number, place = "bag 2", item = "M6×20"): Partial<Entry> => ({
  account: "fastener",
  item,
  place,
  in: count,
});
export const coolant = (item: string, litres: number): Partial<Entry> => ({
  account: "coolant",
  item,
  ...(item === "poured" || item === "capacity" ? { in: litres } : { out: litres }),
});
