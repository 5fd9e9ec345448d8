import { VERDICT_BELIEF } from "../../trade/diagnosis/knowledge/index.ts";
import { HAND_BACK, NOTHING_WRONG } from "../../trade/diagnosis/model/index.ts";
import type { FindState } from "./find-state.ts";
import { coldLacked } from "./overnight.ts";

export interface VerdictOffer {
  /** The likeliest of what the repair mends. */
  hypothesis: string;
  name: string;
  share: number;
  repair: { id: string; name: string; minutes: number; partsCents: number; mends: number };
  /** "proven": believed enough to be called the verdict. "trial": cheaper to try than to test further. */
  kind: "proven" | "trial";
  /** Why no more testing, in words. */
  because: string;
}

const TRIAL = "Not proven, but cheaper to try than to test further. Test again after it: only that shows it.";
const HAND_BACK_UNPROVEN =
  "Not beyond doubt, but more testing won't make it surer for its price. Say so to the owner.";

const money = (cents: number) => (Math.abs(cents) / 100).toFixed(2);

/**
 * The verdict, where more testing costs more than it saves; nothing while a test is the better next step, nor while the
 * results contradict each other: then the odd one is repeated first.
 */
export function verdictOffer(state: FindState): VerdictOffer | undefined {
  const [first] = state.actions;
  if (!first || first.kind === "test" || state.conflict) return undefined;
  const repair = state.model.repairs.find(({ id }) => id === first.id);
  if (!repair) return undefined;
  const isHandBack = first.id === HAND_BACK;
  const fixes = isHandBack ? [NOTHING_WRONG] : repair.fixes;
  const mended = state.suspects.filter(({ id }) => fixes.includes(id));
  const [top] = mended;
  if (!top) return undefined;
  const mends = mended.reduce((sum, { share }) => sum + share, 0);
  const test = state.actions.find(({ kind }) => kind === "test");
  const isProven = mends >= VERDICT_BELIEF;
  const nameOf = (id: string) => state.model.tests.find((each) => each.id === id)?.name ?? id;
  const cost = test
    ? `The best test left (${nameOf(test.id)}) would cost ${money(test.expectedCents - first.expectedCents)} more than it saves.`
    : "No test is left here that would tell more.";
  const cold = isHandBack && !isProven ? coldLacked(state) : undefined;
  const night = cold
    ? ` Today no test makes it surer; cold, after a night, ${cold.tests.map(nameOf).join(" and ")} would: to ${Math.floor(cold.sure * 100)} %.`
    : "";
  return {
    hypothesis: top.id,
    name: top.name,
    share: top.share,
    repair: {
      id: repair.id,
      name: repair.name ?? repair.id,
      minutes: repair.minutes,
      partsCents: repair.partsCents,
      mends,
    },
    kind: isProven ? "proven" : "trial",
    because: isProven
      ? `Enough is known. ${cost}`
      : `${isHandBack ? HAND_BACK_UNPROVEN : TRIAL} ${cost}${night}`,
  };
}
