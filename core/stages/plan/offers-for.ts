import type { Entry } from "../../book/entry/index.ts";
import { Finding, lastFact } from "../../book/facts/index.ts";
import { REPAIRS } from "../../trade/diagnosis/knowledge/index.ts";

/** What a repair's name says is bought: its kind of part, told by the last word of a part's own name. */
const KINDS = [
  ...["radiator", "fan", "motor", "switch", "sensor", "thermostat", "pump", "hose", "cap", "tank", "relay"],
  ...["module", "resistor", "fuse", "belt", "clutch", "plug", "cooler", "housing", "assembly", "socket"],
];
const wordsOf = (name: string) => name.toLowerCase().match(/[a-z]+/g) ?? [];
/** A whole fan is bought for its motor. */
const SAME: Readonly<Record<string, string>> = { assembly: "fan", motor: "fan", unit: "fan" };
const kindOf = (word: string) => SAME[word] ?? word;

/** The kinds of part that a repair puts in: of "new pump and belt" two, of "new switch plug" the plug alone. */
function kindsIn(name: string): Set<string> {
  const parts = name.toLowerCase().split(/\b(?:and|or)\b|,/);
  return new Set(
    parts.flatMap((part) => wordsOf(part).findLast((word) => KINDS.includes(word)) ?? []).map(kindOf),
  );
}

/**
 * What of the shelf the finding of a job wants, in the shelf's order; nothing where the finding names no repair that puts a part in. A
 * finding in somebody's own words wants whatever part it names.
 */
export function offersFor<Offer extends { item: string }>(
  entries: readonly Entry[],
  shelf: readonly Offer[],
): Offer[] {
  const finding = lastFact(entries, Finding);
  if (finding?.fact.finding !== "fault") return [];
  const { hypothesis } = finding.fact;
  const repair = REPAIRS.find(({ fixes }) => hypothesis !== undefined && fixes.includes(hypothesis));
  const own = wordsOf(finding.entry.text ?? "").filter((word) => KINDS.includes(word));
  // A sentence says the part anywhere in it: whatever it names is offered, and somebody chooses.
  const wanted = repair ? kindsIn(repair.name) : new Set(own.map(kindOf));
  return shelf.filter(({ item }) => {
    const last = wordsOf(item).findLast((word) => KINDS.includes(word));
    return last !== undefined && wanted.has(kindOf(last));
  });
}
