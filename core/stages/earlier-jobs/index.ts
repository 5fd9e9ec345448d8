export { type Comeback, comebackOf } from "./comeback.ts";
export { type Doings, doingsKey, doingsOf } from "./doings.ts";
export { lastsWords } from "./lasts-words.ts";
export { type Learned, type LearnedOut, learnedFrom } from "./learned.ts";
export { likeness } from "./likeness.ts";
export { FEWEST_GONE, halfGoneAfter, type LifeHere, lifeHere, type PartSpan, spansOf } from "./lives.ts";
export { type PartLife, partLives } from "./part-lives.ts";
