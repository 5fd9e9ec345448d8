import type { PictureLine } from "../../../core/stages/strip/index.ts";

/** What a picture shows, and where, said once. */
export const pictureName = ({ place, words }: Pick<PictureLine, "place" | "words">): string =>
  place && !words.toLowerCase().includes(place.toLowerCase()) ? `${place}: ${words}` : words;
