import { decidedInWords } from "../../book/acts/index.ts";
import { type Act, ALONE, type Choice } from "./act.ts";
import type { Room } from "./room.ts";

const MOST_WORDS = 300;

const byWords: Choice = {
  id: "words",
  words: "That is what it is",
  wants: true,
  lines: ({ words = "" }) => [{ ...decidedInWords("fault", words.trim()), stage: "find" }],
};
const nothingWrong: Choice = {
  id: "nothing-wrong",
  words: "Nothing wrong",
  lines: () => [{ ...decidedInWords("nothing-wrong", ""), stage: "find" }],
};

/** Said in words: where testing can't say it, and where hands were quicker. */
export const verdictInWords = (id: string, why: string): Act => ({
  id,
  stage: "find",
  what: "Write down what it is",
  why,
  minutes: 1,
  needs: ALONE,
  field: { kind: "words", label: "What was wrong", most: MOST_WORDS },
  choices: [byWords, nothingWrong],
});

/** The finding of a job whose work was begun without one: asked before it is signed, and in nobody's way before. */
export const lateFindingActs = ({ hasFinding, hasBegun }: Room): Act[] =>
  !hasFinding && hasBegun ? [verdictInWords("find:late", "Whoever opens this car next looks for it.")] : [];
