import type { Entry } from "../../book/entry/index.ts";
import { lastFact, WarmUpLog } from "../../book/facts/index.ts";
import { formatBothTemperatures, inShownTemperatures, type System } from "../../kernel/units/index.ts";
import type { FindState } from "./find-state.ts";

interface Card {
  fanOnC: readonly number[];
}

/** "Nothing wrong" written out for the owner: what the card says, what was seen, and what would be a reason to come back. */
export function customerText(
  state: FindState,
  entries: readonly Entry[],
  card: Card | null,
  system: System,
): string {
  const on = card?.fanOnC.map((celsius) => formatBothTemperatures(celsius, system)).join(" and ");
  const checks = Object.values(lastFact(entries, WarmUpLog)?.fact.checks ?? {});
  const reasons = (wanted: string) =>
    checks
      .filter(({ verdict }) => verdict === wanted)
      .map(({ because }) => inShownTemperatures(because, system));
  const seen = reasons("pass");
  const unseen = reasons("not-seen");
  const tests = state.evidence
    .map(({ test, outcome }) => {
      const found = state.model.tests.find(({ id }) => id === test);
      return `${found?.name ?? test}: ${found?.outcomes.find(({ id }) => id === outcome)?.name?.toLowerCase() ?? outcome}`;
    })
    .slice(0, 8);
  return [
    "We looked for a fault in the cooling system and found none.",
    on
      ? `On this vehicle the fan is meant to start at ${on}. Below that it stands still, and that is as it should be.`
      : "",
    seen.length > 0 ? `The warm-up log shows it: ${seen.join(" ")}` : "",
    unseen.length > 0 ? `Not reached in that log: ${unseen.join(" ")}` : "",
    tests.length > 0 ? `What we tested: ${tests.join("; ")}.` : "",
    "Come back if it climbs further than that, if a warning lights, or if the level falls. The maker's own instructions come before ours.",
  ]
    .filter(Boolean)
    .join("\n");
}
