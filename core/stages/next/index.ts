export type { Act, Choice, Field, Needs, Next, Said, Waiting } from "./act.ts";
export { nextAtHand } from "./next-at-hand.ts";
export { nextOf } from "./next-of.ts";
export { goalFor, goalOf } from "./plan-acts.ts";
export type { NextCard, NextTerms, Offer } from "./room.ts";
