import { ZxcvbnFactory } from "@zxcvbn-ts/core";
import { adjacencyGraphs, dictionary } from "@zxcvbn-ts/language-common";

/** Of four to eight digits the ones that somebody tries first beside those that a rule finds: dates of hands and keypads. */
const TRIED_FIRST = new Set(
  "2580 0852 1470 7410 3690 0963 1590 9510 7530 3570 1379 9731 1397 2468 8642 1357 7531 1004 4321 1230 0007 112233 121212 123123 159753 147258 258369 246810 102030".split(
    " ",
  ),
);

const stepsOf = (digits: string): number[] =>
  [...digits].slice(1).map((digit, place) => (Number(digit) - Number(digits[place]) + 10) % 10);
const isRunning = (digits: string) => {
  const [first, ...others] = stepsOf(digits);
  return [0, 1, 2, 8, 9].includes(first ?? 0) && others.every((step) => step === first);
};
const isRepeated = (digits: string) =>
  [1, 2, 3, 4].some(
    (length) =>
      digits.length >= 2 * length &&
      digits ===
        digits
          .slice(0, length)
          .repeat(Math.ceil(digits.length / length))
          .slice(0, digits.length),
  );
const isYear = (digits: string) => /^(?:19[3-9]|20[0-4])\d$/.test(digits);
const isDate = (digits: string) =>
  /^(?:0[1-9]|[12]\d|3[01])(?:0[1-9]|1[0-2])(?:19|20)\d\d$/.test(digits) ||
  /^(?:19|20)\d\d(?:0[1-9]|1[0-2])(?:0[1-9]|[12]\d|3[01])$/.test(digits);

/** Why a PIN is one that is tried first; nothing where it will do. */
export function weakPin(pin: string): string | undefined {
  if (new Set(pin).size <= 2 || isRepeated(pin))
    return "A PIN that repeats itself is tried first. Take another.";
  if (isRunning(pin)) return "A PIN that runs up or down is tried first. Take another.";
  if (isYear(pin) || isDate(pin)) return "A year or a date is tried first. Take another PIN.";
  if (TRIED_FIRST.has(pin)) return "That PIN is one that many have. Take another.";
  return undefined;
}

let guesser: ZxcvbnFactory | undefined;
/** Guessed by somebody who has ten thousand tries an hour: some hundred million, of which the library's third step is the least. */
const LEAST_SCORE = 3;
/** What is looked at takes longer the longer it is. */
const MOST_LOOKED_AT = 72;

/** Why a password is easily guessed, by known passwords, words, keyboards, dates and the person's own name; nothing where it will do. */
export function weakPassword(password: string, own: readonly string[] = []): string | undefined {
  guesser ??= new ZxcvbnFactory({ dictionary, graphs: adjacencyGraphs });
  const words = own.flatMap((each) => [each, each.replace(/\s+/g, ""), ...each.split(/\s+/)]).filter(Boolean);
  const { score } = guesser.check(password.slice(0, MOST_LOOKED_AT), words);
  return score < LEAST_SCORE ? "That is easily guessed. Three odd words together do well." : undefined;
}
