import { useEffect, useRef } from "react";
import { useFetcher } from "react-router";
import type { RoundSetup } from "../../../core/trade/practice/index.ts";
import type { Refused } from "../../desk/guard.server.ts";
import { useDraft } from "../../drafts/useDraft.ts";
import { Button } from "../../ui/Button.tsx";

/** Hands a round in that is over, once the planner's way is known, and says what became of it. */
export function KeptWords({
  setup,
  plannerCents,
  isReady,
}: {
  setup: RoundSetup;
  plannerCents: number | undefined;
  isReady: boolean;
}) {
  const fetcher = useFetcher<{ kept?: string; refused?: Refused["refused"] }>();
  const [keptId, setKeptId] = useDraft("practice-kept");
  const isKept = fetcher.data?.kept === setup.id || keptId === setup.id;
  const hand = () => {
    const { id, level, carKey, seed, acts, hadHelp } = setup;
    void fetcher.submit(
      {
        id,
        level,
        carKey,
        seed,
        acts: JSON.stringify(acts),
        hadHelp: String(hadHelp),
        ...(plannerCents !== undefined && { plannerCents }),
      },
      { method: "post", action: "/bench/practice" },
    );
  };
  const handed = useRef("");
  // biome-ignore lint/correctness/useExhaustiveDependencies: once a round, as all of it is known
  useEffect(() => {
    if (!isReady || isKept || handed.current === setup.id) return;
    handed.current = setup.id;
    hand();
  }, [isReady, isKept, setup.id]);
  // biome-ignore lint/correctness/useExhaustiveDependencies: once the server has said so
  useEffect(() => {
    if (fetcher.data?.kept === setup.id) setKeptId(setup.id);
  }, [fetcher.data]);
  const refused = fetcher.state === "idle" ? fetcher.data?.refused?.message : undefined;
  return (
    <p role="status" className="text-ink-2">
      {isKept ? (
        "In your rounds."
      ) : refused ? (
        <>
          {refused}{" "}
          <Button weight="quiet" className="px-2" onClick={hand}>
            Keep it now
          </Button>
        </>
      ) : (
        "It is being kept."
      )}
    </p>
  );
}
