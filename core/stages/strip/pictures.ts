import type { Entry } from "../../book/entry/index.ts";
import { Arrow, factsOf, Picture } from "../../book/facts/index.ts";

export interface PictureLine {
  /** The picture's id, and that of the line that booked it. */
  id: string;
  words: string;
  place: string;
  width: number;
  height: number;
  by: string;
  at: string;
  /** The line that it belongs to. */
  of?: string;
  arrows: { x: number; y: number; entryId: string }[];
}

/** The pictures of a job with the arrows drawn on them, in the order in which they were taken. */
export function picturesOf(entries: readonly Entry[]): PictureLine[] {
  const arrows = factsOf(entries, Arrow);
  return factsOf(entries, Picture).map(({ fact: { width, height, of }, entry }) => ({
    id: entry.id,
    words: entry.text ?? "",
    place: entry.place ?? "",
    width,
    height,
    by: entry.by,
    at: entry.at,
    ...(of ? { of } : {}),
    arrows: arrows
      .filter(({ fact }) => fact.picture === entry.id)
      .map(({ fact: { x, y }, entry: { id } }) => ({ x, y, entryId: id })),
  }));
}
