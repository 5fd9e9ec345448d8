import { type Entry, standing } from "../../book/entry/index.ts";
import { Finding, factsOf, lastFact, Proof, type ProofName, WarmUpLog } from "../../book/facts/index.ts";
import { partsState } from "../../book/parts/index.ts";
import { findingOf, fuseCause, proofWords } from "../../state/index.ts";
import { DEAD_FAN_FAULTS, type Hint, LOSES_FAULTS } from "../../trade/diagnosis/knowledge/index.ts";

/** What the last job on a car says to the one that is opened after it. */
export interface Comeback {
  /** What it found and what it fitted, as one sentence without its stop. */
  words: string;
  /** What it may have caused, and what it proved: how many times likelier or less likely each makes a fault. */
  hints: Hint[];
}

/** Something came off by a name: what hands may have left there. */
interface Left {
  off: RegExp;
  hint: Hint;
}

const LEFT: readonly Left[] = [
  { off: /\bhose\b/, hint: { times: 3, faults: ["leak-hose"], reason: "a hose was off" } },
  {
    off: /\bradiator\b(?! cap)/,
    hint: { times: 2, faults: ["leak-radiator", "shroud-missing"], reason: "the radiator was out" },
  },
  {
    off: /\bthermostat|housing\b/,
    hint: { times: 3, faults: ["leak-housing", "thermostat-wrong"], reason: "the thermostat was out" },
  },
  { off: /\bfan\b.*\bplug\b/, hint: { times: 3, faults: ["fan-plug"], reason: "the fan's plug was off" } },
  {
    off: /\bsensor\b.*\bplug\b/,
    hint: { times: 3, faults: ["sensor-plug"], reason: "the sensor's plug was off" },
  },
  {
    off: /\bswitch\b.*\bplug\b/,
    hint: { times: 3, faults: ["switch-plug"], reason: "the switch's plug was off" },
  },
  {
    off: /\bfan\b(?!.*\b(?:plug|fuse|relay|switch)\b)/,
    hint: { times: 3, faults: ["fan-backwards", "shroud-missing"], reason: "the fan was out" },
  },
  {
    off: /\bswitch\b(?!.*\bplug\b)/,
    hint: { times: 3, faults: ["switch-rating"], reason: "the switch was out" },
  },
  { off: /\bcap\b/, hint: { times: 2, faults: ["cap-weak"], reason: "the cap was off" } },
];

const THERMOSTAT = ["thermostat-shut", "thermostat-open", "thermostat-lazy", "thermostat-wrong"];

/** What each proof, seen, speaks against. */
const PROVED: Partial<Record<ProofName, Omit<Hint, "reason">>> = {
  "leaks-hot": { times: 0.5, faults: LOSES_FAULTS },
  "leaks-cold": { times: 0.6, faults: LOSES_FAULTS },
  pressure: { times: 0.4, faults: LOSES_FAULTS },
  heater: { times: 0.5, faults: ["air-lock"] },
  direction: { times: 0.2, faults: ["fan-backwards"] },
  "direction-left": { times: 0.4, faults: ["fan-backwards"] },
  "direction-right": { times: 0.4, faults: ["fan-backwards"] },
  cap: { times: 0.3, faults: ["cap-weak"] },
  gas: { times: 0.3, faults: ["head-gasket"] },
};

/** Older than that it has shown what it left behind, and what it proved is worn again, days. */
const FADES_DAYS = 120;
const JUST_MENDED = 0.3;
/** A new fuse with nothing behind it mended. */
const BLOWS_AGAIN = 6;

function leftBehind(entries: readonly Entry[]): Hint[] {
  const all = standing(entries);
  const off = all
    .filter(({ kind, account, out = 0 }) => kind === "movement" && account !== "coolant" && out > 0)
    .map(({ item = "", place = "" }) => `${place} ${item}`.toLowerCase());
  const filled = all.some(
    ({ account, item, in: inL = 0 }) => account === "coolant" && item === "poured" && inL > 0,
  );
  const air: Hint[] = filled
    ? [{ times: 4, faults: ["air-lock", "wrong-strength"], reason: "it was filled" }]
    : [];
  return [...air, ...LEFT.flatMap((left) => (off.some((name) => left.off.test(name)) ? [left.hint] : []))];
}

function provedBy(entries: readonly Entry[]): Hint[] {
  const seen = new Map(factsOf(entries, Proof).map(({ fact }) => [fact.proof, fact.verdict]));
  const proofs = [...seen].flatMap(([proof, verdict]): Hint[] => {
    const against = PROVED[proof];
    const isNamed = proof !== "fan-1" && proof !== "fan-2" && proof !== "fan-3" && proof !== "fan-4";
    return verdict === "pass" && against && isNamed
      ? [{ ...against, reason: `seen then: ${proofWords(proof)}` }]
      : [];
  });
  const checks = lastFact(entries, WarmUpLog)?.fact.checks ?? {};
  return [
    ...proofs,
    ...(checks.thermostat?.verdict === "pass"
      ? [{ times: 0.4, faults: THERMOSTAT, reason: "its log showed the thermostat open as it should" }]
      : []),
    ...(checks.fanOn?.verdict === "pass"
      ? [{ times: 0.4, faults: DEAD_FAN_FAULTS, reason: "its log showed the fan start" }]
      : []),
  ];
}

/** What was found and put right is seldom it again; but a fuse whose cause nobody found blows again. */
function mended(entries: readonly Entry[]): Hint[] {
  const blown = fuseCause(entries);
  if (blown && (blown.isAsked || blown.cause === "none-found" || blown.cause === "not-measured"))
    return [
      {
        times: BLOWS_AGAIN,
        faults: ["fuse", "motor-stiff"],
        reason: "a fuse had blown, and no cause was mended",
      },
    ];
  const found = lastFact(entries, Finding)?.fact.hypothesis;
  const isFitted = partsState(entries).some(({ checked }) => checked);
  return found && found !== "nothing-wrong" && isFitted
    ? [{ times: JUST_MENDED, faults: [found], reason: "that was put right then" }]
    : [];
}

/**
 * What the book of a car's last signed job says to one opened `days` after it: named, with what it may have caused and what it
 * proved, both fading over 120 days. Nothing is taken from what it doesn't say.
 */
export function comebackOf(entries: readonly Entry[], days: number): Comeback {
  const fresh = Math.max(0, Math.min(1, 1 - days / FADES_DAYS));
  const found = findingOf(entries);
  const parts = [...new Set(partsState(entries).flatMap(({ checked, words }) => (checked ? [words] : [])))];
  const words = [
    found
      ? `found: ${[found.words, found.cause].filter(Boolean).join("; ")}`
      : "nothing written of what it found",
    parts.length > 0 ? `fitted: ${parts.join(", ")}` : "",
  ]
    .filter(Boolean)
    .join("; ");
  return {
    words,
    hints: [...leftBehind(entries), ...provedBy(entries), ...mended(entries)].map((hint) => ({
      ...hint,
      times: hint.times ** fresh,
    })),
  };
}
