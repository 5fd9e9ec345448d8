import { useEffect, useRef } from "react";
import { useRevalidator } from "react-router";

/** What is booked here comes back by itself; it is given that long before the page is read for somebody else's line. */
const OWN_MS = 250;
/** A stream that says nothing for so long doesn't get through. */
const SILENT_MS = 4000;
const POLL_MS = 2000;

/**
 * Reads the job again as soon as somebody else writes into its book: told by server-sent events, and asked for every two
 * seconds where those don't get through. Only while the page is looked at: a browser has few connections to a server.
 */
export function useGrowth(jobId: string, lastSeq: number): void {
  const { revalidate, state } = useRevalidator();
  const known = useRef({ lastSeq, revalidate, isReading: false });
  known.current = { lastSeq, revalidate, isReading: state !== "idle" };
  useEffect(() => {
    let stream: EventSource | undefined;
    let silence: ReturnType<typeof setTimeout> | undefined;
    let poll: ReturnType<typeof setInterval> | undefined;
    let wait: ReturnType<typeof setTimeout> | undefined;
    const look = (seq: number) => {
      clearTimeout(wait);
      if (!(seq > known.current.lastSeq)) return;
      wait = setTimeout(() => {
        if (known.current.isReading) look(seq);
        else if (seq > known.current.lastSeq) void known.current.revalidate();
      }, OWN_MS);
    };
    const ask = async () => {
      if (!navigator.onLine) return;
      const answer = await fetch(`/jobs/${jobId}/grown`, {
        headers: { Accept: "application/json" },
        redirect: "manual",
      }).catch(() => undefined);
      const said: unknown = await answer?.json().catch(() => undefined);
      const seq = (said as { lastSeq?: unknown } | undefined)?.lastSeq;
      if (answer?.ok && typeof seq === "number") look(seq);
    };
    const askOften = () => {
      poll ??= setInterval(() => void ask(), POLL_MS);
    };
    const leave = () => {
      stream?.close();
      stream = undefined;
      clearTimeout(silence);
      clearTimeout(wait);
      clearInterval(poll);
      poll = undefined;
    };
    const listen = () => {
      leave();
      if (document.visibilityState !== "visible") return;
      silence = setTimeout(askOften, SILENT_MS);
      stream = new EventSource(`/jobs/${jobId}/grown`);
      stream.onmessage = ({ data }) => {
        clearTimeout(silence);
        clearInterval(poll);
        poll = undefined;
        look(Number(data));
      };
      stream.onerror = askOften;
    };
    listen();
    document.addEventListener("visibilitychange", listen);
    return () => {
      document.removeEventListener("visibilitychange", listen);
      leave();
    };
  }, [jobId]);
}
