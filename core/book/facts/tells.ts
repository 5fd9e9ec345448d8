import type { StandingEntry } from "../entry/index.ts";
import { factOf } from "./facts-of.ts";

/** Whether a line says more than words: a sentence that anybody typed moves nothing and proves nothing. */
export const tells = (entry: StandingEntry): boolean =>
  entry.kind === "movement" ||
  entry.kind === "reading" ||
  entry.data !== undefined ||
  factOf(entry) !== undefined;
