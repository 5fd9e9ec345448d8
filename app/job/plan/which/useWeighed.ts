import { useEffect, useState } from "react";
import type { Option, Terms, WeighedOptions } from "../../../../core/trade/sourcing/index.ts";
import { openOptions } from "../../../workers/options.ts";
import { useThread } from "../../../workers/useThread.ts";

/** Whoever types is still at it. */
const PAUSE_MS = 150;

/** What the options come to, worked out in a worker; what was last known while it thinks. Nothing without options. */
export function useWeighed(options: Option[], terms: Terms | undefined): WeighedOptions | undefined {
  const [weighed, setWeighed] = useState<{ key: string; answer: WeighedOptions }>();
  const ask = useThread(openOptions, { atOnce: true });
  const key = terms && options.length > 0 ? JSON.stringify([options, terms]) : "";
  useEffect(() => {
    if (key === "") return;
    let isAsked = true;
    const timer = setTimeout(async () => {
      const [asked, under] = JSON.parse(key) as [Option[], Terms];
      const answer = await ask((work) => work.weigh(asked, under));
      if (isAsked && answer) setWeighed({ key, answer });
    }, PAUSE_MS);
    return () => {
      isAsked = false;
      clearTimeout(timer);
    };
  }, [ask, key]);
  return key === "" ? undefined : weighed?.answer;
}
