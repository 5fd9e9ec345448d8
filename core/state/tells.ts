import type { StandingEntry } from "../book/index.ts";
import { factOf } from "../facts/index.ts";

/** Whether a line says more than words: a sentence that anybody typed moves nothing and proves nothing. */
export const tells = (entry: StandingEntry): boolean =>
  entry.kind === "movement" ||
  entry.kind === "reading" ||
  entry.data !== undefined ||
  factOf(entry) !== undefined;
