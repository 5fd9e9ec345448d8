import { useEffect } from "react";
import type { System } from "../../../core/kernel/units/index.ts";
import { decodeLog, type TraceSpec } from "../../../core/trade/trace/index.ts";
import { later } from "../../ui/later.ts";
import { useJudge } from "../prove/useJudge.ts";

const warmUpChart = later(() => import("../prove/WarmUpChart.tsx"));

/** A booked log's curve, read again here; nothing where it can't be fetched, as without a network. */
export function LogCurve({
  jobId,
  log,
  system,
}: {
  jobId: string;
  log: { id: string; name: string; spec: TraceSpec };
  system: System;
}) {
  const WarmUpChart = warmUpChart.use()?.WarmUpChart;
  const { judging, judge } = useJudge(log.spec);
  // biome-ignore lint/correctness/useExhaustiveDependencies: read once for each log
  useEffect(() => {
    const read = async () => {
      const response = await fetch(`/jobs/${jobId}/logs/${log.id}/as-handed-in.csv`).catch(() => undefined);
      if (response?.ok)
        await judge(decodeLog(new Uint8Array(await response.arrayBuffer())), log.spec.restedH);
    };
    void read();
  }, [log.id]);
  const judged = judging.state === "done" ? judging.log : undefined;
  if (!judged?.analysis || !WarmUpChart) return null;
  return <WarmUpChart log={judged} spec={log.spec} system={system} />;
}
