export { type Judgement, VERDICT_WORDS, type Verdict } from "./verdict.ts";
