import type { EntryDraft } from "../entry/index.ts";
import { Arrow, CautionRead, dataOf, Picture } from "../facts/index.ts";
import { at } from "./about.ts";

/** A picture was taken; `of` is the line that it shows, where it shows one. */
export const tookPicture = (
  { width, height, of }: Pick<Picture, "width" | "height" | "of">,
  words: string,
  place?: string,
): EntryDraft => ({
  kind: "note",
  item: "picture",
  ...at(place),
  text: words,
  data: dataOf(Picture, { width, height, ...(of ? { of } : {}) }),
});

/** An arrow on a picture at what is meant, shares of its width and height. */
export const pointedAt = (picture: string, where: { x: number; y: number }, words: string): EntryDraft => ({
  kind: "note",
  item: "arrow",
  text: words,
  data: dataOf(Arrow, { picture, ...where }),
});

/** A caution was read. */
export const readCaution = (text: string): EntryDraft => ({
  kind: "caution",
  text,
  data: dataOf(CautionRead, {}),
});
