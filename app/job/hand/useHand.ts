import { useMemo } from "react";
import { type Next, type NextTerms, nextAtHand } from "../../../core/stages/next/index.ts";
import { jobState } from "../../../core/state/index.ts";
import { useMember } from "../../desk/member.ts";
import { moneyOf } from "../../ui/money.ts";
import { useNow } from "../../ui/useNow.ts";
import { useJob } from "../stage/context.ts";

/** A reading is worth a quarter of an hour, and clocks run out: looked at again so often. */
const LOOK_MS = 10_000;
// biome-ignore lint/suspicious/noThenProperty: the trade's word, and no promise is made of it
const NOTHING: Next = { now: [], waiting: [], then: [] };

/** What is to be done on this job now, by its book as this browser knows it, as time goes by. `known` is what the stage has read. */
export function useHand(known: NextTerms = {}): { next: Next; nowMs: number } {
  const { page, entries, system, mayBook } = useJob();
  const { altitudeM, currency } = useMember();
  const nowMs = useNow(true, LOOK_MS);
  const { offers, features } = known;
  const next = useMemo(() => {
    if (!mayBook) return NOTHING;
    const now = new Date(nowMs).toISOString();
    const { card, vehicle } = page;
    const terms: NextTerms = {
      system,
      ranKm: vehicle.distanceKm,
      money: (cents) => moneyOf(cents, currency),
      ...(altitudeM !== null && { altitudeM }),
      ...(offers && { offers }),
      ...(features && { features }),
    };
    return nextAtHand(jobState(entries, card, now, { system }), card, now, terms);
  }, [entries, page, system, mayBook, altitudeM, currency, nowMs, offers, features]);
  return { next, nowMs };
}
