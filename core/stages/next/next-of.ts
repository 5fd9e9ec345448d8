import type { JobState } from "../../state/index.ts";
import type { Next } from "./act.ts";
import { findActs } from "./find-acts.ts";
import { nextWith } from "./next-with.ts";
import type { NextCard, NextTerms } from "./room.ts";

/**
 * What there is to do on a job now, what passes by itself meanwhile, and what comes then. The first of `now` is the one in hand:
 * somebody could be hurt or an engine cooked; a clock that has run out; the step in hand; what blocks most; the rest in the
 * trade's order. Nothing is offered that the state forbids: what opens a cap before it may be opened, what runs an engine that is
 * low, open or apart, a step before its part is here. `card` null where the car has none; `now` in ISO 8601.
 */
export const nextOf = (state: JobState, card: NextCard | null, now: string, terms: NextTerms = {}): Next =>
  nextWith(findActs, state, card, now, terms);
