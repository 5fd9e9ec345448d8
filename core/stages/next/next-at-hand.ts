import type { JobState } from "../../state/index.ts";
import { type Act, ALONE, type Next } from "./act.ts";
import { nextWith } from "./next-with.ts";
import type { NextCard, NextTerms, Room } from "./room.ts";

const onFind: Act = {
  id: "find",
  stage: "find",
  what: "Find what it is",
  why: "The next test stands on Find, with what it would tell.",
  needs: ALONE,
  choices: [],
};

const findElsewhere = ({ hasFinding, hasBegun }: Room): Act[] => (hasFinding || hasBegun ? [] : [onFind]);

/** The same as `nextOf`, but that which test comes next is left to Find: thinking that out needs the whole planner. */
export const nextAtHand = (
  state: JobState,
  card: NextCard | null,
  now: string,
  terms: NextTerms = {},
): Next => nextWith(findElsewhere, state, card, now, terms);
