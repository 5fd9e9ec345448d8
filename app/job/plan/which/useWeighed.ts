import { useEffect, useRef, useState } from "react";
import type { Option, Terms, WeighedOptions } from "../../../../core/trade/sourcing/index.ts";
import type { SourcingWorker } from "../../../workers/sourcing.worker.ts";
import { openThread, type Thread } from "../../../workers/thread.ts";

/** Whoever types is still at it. */
const PAUSE_MS = 150;

/** What the options come to, worked out in a worker; what was last known while it thinks. Nothing without options. */
export function useWeighed(options: Option[], terms: Terms | undefined): WeighedOptions | undefined {
  const [weighed, setWeighed] = useState<{ key: string; answer: WeighedOptions }>();
  const thread = useRef<Thread<SourcingWorker>>(undefined);
  useEffect(() => {
    const opened = openThread<SourcingWorker>(
      () => new Worker(new URL("../../../workers/sourcing.worker.ts", import.meta.url), { type: "module" }),
      () => import("../../../../core/trade/sourcing/index.ts"),
    );
    thread.current = opened;
    return () => opened.close();
  }, []);
  const key = terms && options.length > 0 ? JSON.stringify([options, terms]) : "";
  useEffect(() => {
    if (key === "") return;
    let isAsked = true;
    const timer = setTimeout(async () => {
      const [asked, under] = JSON.parse(key) as [Option[], Terms];
      const answer = await thread.current?.ask((work) => work.weigh(asked, under));
      if (isAsked && answer) setWeighed({ key, answer });
    }, PAUSE_MS);
    return () => {
      isAsked = false;
      clearTimeout(timer);
    };
  }, [key]);
  return key === "" ? undefined : weighed?.answer;
}
