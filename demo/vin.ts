const VALUES: Record<string, number> = Object.fromEntries([
  ..."0123456789".split("").map((digit) => [digit, Number(digit)]),
  ..."ABCDEFGH".split("").map((letter, index) => [letter, index + 1]),
  ..."JKLMN".split("").map((letter, index) => [letter, index + 1]),
  ["P", 7],
  ["R", 9],
  ..."STUVWXYZ".split("").map((letter, index) => [letter, index + 2]),
]);
const WEIGHTS = [8, 7, 6, 5, 4, 3, 2, 10, 0, 9, 8, 7, 6, 5, 4, 3, 2];
const CHECK_AT = 8;

/** Puts the check digit of ISO 3779 (as 49 CFR 565.15 works it out) into the ninth place of 17 characters. */
export function withCheckDigit(vin: string): string {
  const sum = [...vin].reduce(
    (total, character, index) => total + (VALUES[character] ?? 0) * (WEIGHTS[index] ?? 0),
    0,
  );
  const digit = sum % 11 === 10 ? "X" : String(sum % 11);
  return vin.slice(0, CHECK_AT) + digit + vin.slice(CHECK_AT + 1);
}
