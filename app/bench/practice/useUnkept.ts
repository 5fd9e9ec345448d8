import { useEffect, useRef, useState } from "react";
import { useFetcher } from "react-router";
import type { RoundSetup } from "../../../core/trade/practice/index.ts";
import { useDraft } from "../../drafts/useDraft.ts";
import type { CutOff } from "../../kept/posting.ts";

/** A round that is over and that no server has yet. */
interface Unkept {
  setup: RoundSetup;
  plannerCents?: number;
}

/**
 * Rounds that are over, until the server has them: another car may be taken in meanwhile, and none is lost for that. The one that is
 * shown waits for what the planner's way costs.
 */
export function useUnkept(shownId: string | undefined) {
  const fetcher = useFetcher<{ kept?: string; refused?: CutOff["refused"]; isCutOff?: true }>();
  const [waiting, setWaiting] = useDraft<readonly Unkept[]>("practice-over", []);
  const [keptId, setKeptId] = useDraft("practice-kept");
  const [trouble, setTrouble] = useState("");
  const latest = useRef(waiting);
  latest.current = waiting;
  const put = (next: readonly Unkept[]) => {
    latest.current = next;
    setWaiting(next);
  };
  const without = (id: string) => latest.current.filter(({ setup }) => setup.id !== id);
  const [priced, setPriced] = useState<string>();
  /** A round that is over; once more with what the planner's way costs, or without where that can't be told. */
  const add = (setup: RoundSetup, planner?: { cents: number | undefined }) => {
    if (keptId === setup.id) return;
    const plannerCents = planner?.cents;
    put([...without(setup.id), { setup, ...(plannerCents !== undefined && { plannerCents }) }]);
    if (planner) setPriced(setup.id);
  };
  const sent = useRef<string>(undefined);
  const hand = ({ setup: { acts, hadHelp, ...setup }, plannerCents }: Unkept) => {
    sent.current = setup.id;
    setTrouble("");
    void fetcher.submit(
      {
        ...setup,
        acts: JSON.stringify(acts),
        hadHelp: String(hadHelp),
        ...(plannerCents !== undefined && { plannerCents }),
      },
      { method: "post", action: "/bench/practice" },
    );
  };
  const next = waiting.find(({ setup }) => setup.id !== shownId || priced === setup.id);
  // biome-ignore lint/correctness/useExhaustiveDependencies: one after another, and none again by itself that was cut off
  useEffect(() => {
    if (next && fetcher.state === "idle" && trouble === "") hand(next);
  }, [next, fetcher.state, trouble]);
  // biome-ignore lint/correctness/useExhaustiveDependencies: once for each answer
  useEffect(() => {
    const { data } = fetcher;
    if (!data) return;
    if (data.kept !== undefined) {
      setKeptId(data.kept);
      put(without(data.kept));
    } else if (data.refused) {
      setTrouble(data.refused.message);
      // The server's own no stays a no; what nobody answered is handed in again.
      if (!data.isCutOff && sent.current) put(without(sent.current));
    }
  }, [fetcher.data]);
  return { waiting, keptId, trouble, add, again: () => setTrouble("") };
}

export type UnkeptHere = ReturnType<typeof useUnkept>;
