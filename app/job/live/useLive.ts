import { useCallback, useEffect, useRef, useState } from "react";
import type { LiveSample } from "../../../core/trade/trace/index.ts";
import type { LiveOfJob } from "../../../server/books/live/live-of-job.ts";
import type { LiveRead } from "../../../server/books/live/read-live-log.ts";
import type { LiveSent } from "./live.form.ts";

const ASK_MS = 1000;
const LONGEST_MS = 8000;
/** A log that is over grows no more, but somebody else may keep it or throw it away. */
const ASK_OVER_MS = 3000;

export type LiveShown = Omit<LiveRead, "samples" | "upTo">;

/** Our own JSON or nothing: a proxy's page is nobody's word. */
async function asked<Answer>(
  path: string,
  init: RequestInit = {},
): Promise<{ status: number; answer?: Answer }> {
  const response = await fetch(path, {
    redirect: "manual",
    signal: AbortSignal.timeout(LONGEST_MS),
    ...init,
    headers: { Accept: "application/json", ...init.headers },
  }).catch(() => undefined);
  const isJson = response?.headers.get("Content-Type")?.includes("application/json");
  const answer = isJson ? ((await response?.json().catch(() => undefined)) as Answer | undefined) : undefined;
  return {
    status: answer === undefined ? 0 : (response?.status ?? 0),
    ...(answer !== undefined && { answer }),
  };
}

const SIGNED_OUT = "Nobody is signed in here any more: sign in again. The log goes on meanwhile.";
const NO_SERVER =
  "No server to be had: the log is recorded on meanwhile, and shown again as soon as there is one.";

/** What there is to record by and what was recorded of a job; asked again where that can't be told. */
export function useLiveOfJob(jobId: string): { of: LiveOfJob | undefined; again: () => void } {
  const [of, setOf] = useState<LiveOfJob>();
  const [turn, setTurn] = useState(0);
  // biome-ignore lint/correctness/useExhaustiveDependencies: each turn asks anew
  useEffect(() => {
    let isGone = false;
    let timer: ReturnType<typeof setTimeout>;
    const ask = async () => {
      const { status, answer } = await asked<LiveOfJob>(`/jobs/${jobId}/live`);
      if (isGone) return;
      if (status === 200) setOf(answer);
      else timer = setTimeout(ask, 3 * ASK_MS);
    };
    void ask();
    return () => {
      isGone = true;
      clearTimeout(timer);
    };
  }, [jobId, turn]);
  return { of, again: useCallback(() => setTurn((now) => now + 1), []) };
}

/** A live log as it grows, asked for each second while it is looked at; what is at hand stays where no server answers. */
export function useLiveLog(jobId: string, logId: string | undefined) {
  const [shown, setShown] = useState<LiveShown>();
  const [trouble, setTrouble] = useState("");
  const [isGone, setGone] = useState(false);
  const kept = useRef<{ samples: LiveSample[]; upTo: string }>({ samples: [], upTo: "0" });
  const askNow = useRef<() => void>(undefined);
  useEffect(() => {
    kept.current = { samples: [], upTo: "0" };
    setShown(undefined);
    setGone(false);
    if (!logId) return;
    let isLeft = false;
    let timer: ReturnType<typeof setTimeout> | undefined;
    let isAsking = false;
    let isOver = false;
    const ask = async () => {
      if (isAsking || isLeft) return;
      clearTimeout(timer);
      if (document.visibilityState !== "visible") {
        timer = setTimeout(ask, ASK_MS);
        return;
      }
      isAsking = true;
      const { status, answer } = await asked<LiveRead>(
        `/jobs/${jobId}/live/${logId}?after=${kept.current.upTo}`,
      );
      isAsking = false;
      if (isLeft) return;
      if (status === 404) {
        setGone(true);
        return;
      }
      if (status === 200 && answer) {
        const { samples, upTo, ...rest } = answer;
        kept.current.samples.push(...samples);
        kept.current.upTo = upTo;
        setShown(rest);
        setTrouble("");
        isOver = rest.endedAt !== undefined && samples.length === 0;
      } else setTrouble(status === 401 ? SIGNED_OUT : NO_SERVER);
      timer = setTimeout(ask, isOver ? ASK_OVER_MS : ASK_MS);
    };
    askNow.current = () => void ask();
    void ask();
    return () => {
      isLeft = true;
      clearTimeout(timer);
    };
  }, [jobId, logId]);
  return { shown, samples: kept.current.samples, trouble, isGone, askNow: () => askNow.current?.() };
}

/** Says something to a live log; why it wasn't taken, or nothing. */
export async function tellLive(jobId: string, form: LiveSent): Promise<string | undefined> {
  const { status, answer } = await asked<{
    refused?: { message: string; fields?: Record<string, string> };
    message?: string;
  }>(`/jobs/${jobId}/live`, {
    method: "POST",
    headers: { "Content-Type": "application/json" },
    body: JSON.stringify(form),
  });
  if (status === 200) return undefined;
  if (status === 401) return SIGNED_OUT;
  const { refused, message } = answer ?? {};
  const fields = Object.values(refused?.fields ?? {}).join(" ");
  return (
    refused?.message || fields || message || "No server to be had: it wasn't said. Say it again in a moment."
  );
}
