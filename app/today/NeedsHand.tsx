import { useEffect, useRef, useState } from "react";
import { Link, useFetcher, useLocation } from "react-router";
import type { MineNow } from "../../server/books/day/read-mine-now.ts";
import { announce } from "../ui/announcer.ts";
import { isSoundOn, ring } from "./sound.ts";

const ASK_MS = 60_000;
const MINUTE_MS = 60_000;

/** Beside one car: another should have somebody's hand by now. Said once, with a sound where this browser has it on; it can be put by. */
export function NeedsHand() {
  const { load, data } = useFetcher<{ now: MineNow[] }>();
  const { pathname } = useLocation();
  const [putBy, setPutBy] = useState<readonly string[]>([]);
  const told = useRef(new Set<string>());
  useEffect(() => {
    const ask = () => {
      if (document.visibilityState === "visible" && navigator.onLine) void load("/mine/now");
    };
    ask();
    const timer = setInterval(ask, ASK_MS);
    return () => clearInterval(timer);
  }, [load]);
  const isAtCar = pathname.startsWith("/jobs/");
  const due = isAtCar
    ? (data?.now ?? []).filter(
        ({ jobId, piece }) => !pathname.includes(jobId) && !putBy.includes(jobId + piece),
      )
    : [];
  const isHere = (data?.now ?? []).some(({ jobId }) => pathname.includes(jobId));
  // Whoever is where they should be is not called away.
  const [first] = isHere ? [] : due;
  const key = first && first.jobId + first.piece;
  useEffect(() => {
    if (!first || !key || told.current.has(key)) return;
    told.current.add(key);
    announce(`${first.plate} needs a hand.`);
    if (isSoundOn()) ring();
  }, [first, key]);
  if (!first || !key) return null;
  const minutes = Math.max(0, Math.round((Date.now() - Date.parse(first.from)) / MINUTE_MS));
  return (
    <aside
      aria-label="Another car"
      className="flex flex-wrap items-center gap-x-4 border-ink border-b-2 bg-sheet px-4 print:hidden"
    >
      <p className="py-2">
        <b className="figure">{first.plate}</b> needs a hand, {minutes < 1 ? "now" : `since ${minutes} min`}
      </p>
      <Link
        to={`/jobs/${first.jobId}`}
        className="inline-flex min-h-12 items-center font-bold underline underline-offset-4"
      >
        Go there
      </Link>
      <button
        type="button"
        className="min-h-12 px-2 text-ink-2 underline underline-offset-4"
        onClick={() => setPutBy([...putBy, key])}
      >
        Not now
      </button>
    </aside>
  );
}
