import { useEffect, useRef, useState } from "react";
import type { CoolingCard } from "../../../core/trade/car/index.ts";
import type { WhatIf } from "../../../core/trade/health/index.ts";
import { heardFromWorker, openHealth } from "../../workers/health.ts";
import type { ExplainedLog, GivenLog, RanDays, ReadHealth } from "../../workers/read-health.ts";

export type Fitting<Result> =
  | { state: "idle" }
  | { state: "working"; share: number }
  | { state: "done"; result: Result }
  | { state: "broken"; message: string };

type Work = ReturnType<typeof openHealth>;

/** One long piece of work at a time in a thread of its own: told how far it is, and ended by ending its thread. */
export function useFit<Result>() {
  const [fitting, setFitting] = useState<Fitting<Result>>({ state: "idle" });
  const thread = useRef<Work>(undefined);
  const turn = useRef(0);
  const end = () => {
    turn.current++;
    thread.current?.close();
    thread.current = undefined;
  };
  // biome-ignore lint/correctness/useExhaustiveDependencies: as the part goes, and not before
  useEffect(() => end, []);
  const begin = async (
    work: (ask: Work["ask"], hear: (share: number) => void) => Promise<Result>,
  ): Promise<void> => {
    end();
    const mine = turn.current;
    const isMine = () => mine === turn.current;
    thread.current = openHealth();
    setFitting({ state: "working", share: 0 });
    try {
      const hear = (share: number) => isMine() && setFitting({ state: "working", share });
      const result = await work(thread.current.ask, hear);
      if (isMine()) setFitting({ state: "done", result });
    } catch (error) {
      if (!isMine()) return;
      setFitting({
        state: "broken",
        message: error instanceof Error ? error.message : "It could not be worked out.",
      });
    }
  };
  const leave = () => {
    end();
    setFitting({ state: "idle" });
  };
  return { fitting, begin, leave };
}

/** A log held against a good one, in the thread that is given. */
export const askHealth = (
  ask: Work["ask"],
  hear: (share: number) => void,
  card: CoolingCard,
  good: GivenLog,
  log: GivenLog,
  altitudeM: number,
): Promise<ReadHealth> =>
  ask((work) => work.readHealth(card, good, log, altitudeM, heardFromWorker(hear)) as Promise<ReadHealth>);

/** How a log may have come about, in the thread that is given. */
export const askExplain = (
  ask: Work["ask"],
  hear: (share: number) => void,
  card: CoolingCard,
  good: GivenLog | undefined,
  log: GivenLog,
): Promise<ExplainedLog> =>
  ask((work) => work.explainLog(card, good, log, heardFromWorker(hear)) as Promise<ExplainedLog>);

/** A car on the worst days as it is and as it would be, in the thread that is given. */
export const askDays = (
  ask: Work["ask"],
  hear: (share: number) => void,
  card: CoolingCard,
  good: GivenLog | undefined,
  change: WhatIf,
  altitudeM: number,
): Promise<RanDays> =>
  ask((work) => work.runDays(card, good, change, altitudeM, heardFromWorker(hear)) as Promise<RanDays>);
