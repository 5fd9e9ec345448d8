import { useMemo } from "react";
import type { Entry } from "../../../core/book/entry/index.ts";
import { bledVehicle, type EngineState, engineState } from "../../../core/state/index.ts";
import type { BleedingVehicle, CoolDown } from "../../../core/trade/bleed/index.ts";
import { useMember } from "../../desk/member.ts";
import { useNow } from "../../ui/useNow.ts";
import { type JobContext, useJob } from "../stage/context.ts";

/** A reading is worth a quarter of an hour: looked at again so often. */
const LOOK_MS = 10_000;

interface Engine {
  engine: EngineState;
  vehicle: BleedingVehicle;
  now: string;
}

function engineAt(
  entries: readonly Entry[],
  card: JobContext["page"]["card"],
  altitudeM: number | null,
  nowMs: number,
): Engine {
  const now = new Date(nowMs).toISOString();
  const vehicle = bledVehicle(entries, card, altitudeM);
  return { engine: engineState(entries, now, vehicle), vehicle, now };
}

/** How the engine stands by this job's book, now and as time goes by. */
export function useEngine(): Engine {
  const { page, entries } = useJob();
  const { altitudeM } = useMember();
  const now = useNow(true, LOOK_MS);
  return useMemo(() => engineAt(entries, page.card, altitudeM, now), [entries, page.card, altitudeM, now]);
}

/** Whether a cap may be opened, looked at only where somebody asks; time goes by while `isAsked`. */
export function useCap({ page, entries }: JobContext, isAsked: boolean): () => CoolDown {
  const { altitudeM } = useMember();
  const now = useNow(isAsked, LOOK_MS);
  return useMemo(
    () => () => engineAt(entries, page.card, altitudeM, now).engine.cap,
    [entries, page.card, altitudeM, now],
  );
}
