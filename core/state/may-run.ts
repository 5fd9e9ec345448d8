import type { Entry } from "../book/entry/index.ts";
import { standing } from "../book/entry/index.ts";
import { CoolantLevel, factsOf, TestOutcome } from "../book/facts/index.ts";
import { stepsOff, stillOut, thing } from "../book/out/index.ts";
import { coolantBalance } from "./coolant-balance.ts";

/** What an engine needs on it to be run; a bolt or a tool that is out keeps nobody from it. */
const HOLDS_COOLANT: ReadonlySet<string> = new Set(["hose", "part"]);

/** The last that was seen of the level, hot or cold, by a look or as a test, where nothing was poured since: below the minimum, or none to be seen. */
export function isKnownLow(entries: readonly Entry[]): boolean {
  const seen = [
    ...factsOf(entries, CoolantLevel).map(({ fact: { level }, entry }) => ({
      isLow: level === "low" || level === "empty",
      order: entry.order,
    })),
    ...factsOf(entries, TestOutcome)
      .filter(({ fact }) => fact.test === "level")
      .map(({ fact, entry }) => ({ isLow: fact.outcome === "low", order: entry.order })),
  ];
  const last = seen.reduce<(typeof seen)[number] | undefined>(
    (latest, each) => (latest && latest.order > each.order ? latest : each),
    undefined,
  );
  if (!last?.isLow) return false;
  return !standing(entries).some(
    ({ account, item, in: poured = 0, order }) =>
      account === "coolant" && item === "poured" && poured > 0 && order > last.order,
  );
}

/** What is off of a car that has to be on before coolant goes in or an engine turns, in one sentence; nothing where it is together. */
export function notTogether(entries: readonly Entry[]): string | undefined {
  const out = stillOut(entries).find(({ account }) => HOLDS_COOLANT.has(account));
  if (out) return `It isn't together: ${thing(out)} is off.`;
  const [step] = stepsOff(entries);
  return step && `It isn't together: ${step.back.open}.`;
}

/**
 * Why the engine of a job is not to be run now, by its book, in one sentence; nothing where no line speaks against it. An engine
 * without its coolant, with a hose or a radiator off or in the middle of being put together is cooked or hurts somebody.
 */
export function notToRun(entries: readonly Entry[]): string | undefined {
  const apart = notTogether(entries);
  if (apart) return apart;
  const { unaccountedL, withinTolerance, isOutUntold } = coolantBalance(entries);
  if (isOutUntold) return "Coolant came out, and nobody has written how much.";
  if (!withinTolerance && unaccountedL > 0) return "There is coolant out that hasn't gone back in.";
  return isKnownLow(entries) ? "The level is low: top it up cold, before the engine runs." : undefined;
}
