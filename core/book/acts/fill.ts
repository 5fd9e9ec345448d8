import { type Method, SCHOOL_WORDS, SIGN_WORDS } from "../../trade/bleed/index.ts";
import type { CoolantItem, EntryDraft } from "../entry/index.ts";
import { BleedSign, BleedStep, dataOf, HOSE_WORDS, HoseFelt, MixRead, Strength } from "../facts/index.ts";

const thousandths = (figure: number) => Math.round(figure * 1000) / 1000;

/** Coolant goes in, litres to a millilitre; with what is known of its strength and its can. */
export const poured = (litres: number, mix?: Strength): EntryDraft => ({
  kind: "movement",
  account: "coolant",
  item: "poured",
  in: thousandths(litres),
  unit: "L",
  ...(mix && { data: dataOf(Strength, { ...mix, fraction: thousandths(mix.fraction) }) }),
});

/** Coolant comes out: let out, lost on the floor, kept in what was taken off, or missing as it came. */
export const letOut = (
  item: Exclude<CoolantItem, "poured" | "capacity">,
  litres: number,
  mix?: Strength,
): EntryDraft => ({
  kind: "movement",
  account: "coolant",
  item,
  out: litres,
  unit: "L",
  ...(mix && { data: dataOf(Strength, mix) }),
});

/** The system holds so much more, or less where it is below nought: a new part differs from the old. */
export const changedCapacity = (litres: number): EntryDraft => ({
  kind: "movement",
  account: "coolant",
  item: "capacity",
  unit: "L",
  ...(litres >= 0 ? { in: litres } : { out: -litres }),
});

/** What an instrument reads of the mix in the system. */
export const measuredMix = (fraction: number, base: MixRead["base"], instrument: string): EntryDraft => ({
  kind: "reading",
  item: "coolant strength",
  text: `by ${instrument}`,
  data: dataOf(MixRead, { fraction: thousandths(fraction), ...(base && { base }) }),
});

const MOST_WORDS = 300;

function bleeding(method: Method, step: number, does: BleedStep["does"], words: string): EntryDraft {
  const minutes = does === "starts" ? method.steps[step]?.minutes : undefined;
  return {
    kind: "decision",
    item: `bleeding, ${SCHOOL_WORDS[method.school]}`,
    text: words.slice(0, MOST_WORDS),
    data: dataOf(BleedStep, {
      school: method.school,
      step,
      does,
      ...(minutes === undefined ? {} : { minutes }),
    }),
  };
}

/** A step of bleeding begins: its clock runs from the line. */
export function beganStep(method: Method, step: number): EntryDraft {
  const { minutes, order = "" } = method.steps[step] ?? {};
  const first = order.split(/(?<=\.) /)[0]?.replace(/\.$/, "") ?? "";
  return bleeding(
    method,
    step,
    "starts",
    `step ${step + 1}${minutes ? `, ${minutes} min` : ""}: ${first.toLowerCase()}`,
  );
}

/** A step ends and the next begins; the last one's end is a cycle's, and the first of the cycle follows. */
export function wentOn(method: Method, step: number, cyclesBefore: number): EntryDraft[] {
  const isLast = step === method.steps.length - 1;
  const ended = isLast ? `cycle ${cyclesBefore + 1} topped up` : `step ${step + 1} done`;
  return [bleeding(method, step, "ends", ended), beganStep(method, isLast ? method.againFrom : step + 1)];
}

/** Bleeding is stopped at once, and why. */
export const stoppedBleeding = (method: Method, step: number, because: string): EntryDraft =>
  bleeding(method, step, "stops", because);

/** Bleeding is over. */
export const endedBleeding = (method: Method, step: number, words: string): EntryDraft =>
  bleeding(method, step, "ends", words);

/** Bleeding at whatever step, of a school of this car's or not: over, or its engine stopped. */
export const leftBleeding = (
  { school, step }: Pick<BleedStep, "school" | "step">,
  does: "ends" | "stops" = "ends",
): EntryDraft => ({
  kind: "decision",
  item: `bleeding, ${SCHOOL_WORDS[school]}`,
  text: does === "ends" ? "ended, and another way taken" : "stopped by hand",
  data: dataOf(BleedStep, { school, step, does }),
});

/** A sign that the air is out, seen or not. */
export const sawSign = (sign: BleedSign["sign"], verdict: BleedSign["verdict"]): EntryDraft => ({
  kind: "note",
  text: SIGN_WORDS[sign],
  data: dataOf(BleedSign, { sign, verdict }),
});

/** What is booked when somebody squeezed it. */
export const feltHose = (upper: HoseFelt["upper"]): EntryDraft => ({
  kind: "reading",
  item: "upper hose",
  text: HOSE_WORDS[upper],
  data: dataOf(HoseFelt, { upper }),
});
