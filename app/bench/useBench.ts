import { useEffect, useReducer, useRef, useState } from "react";
import {
  applyChange,
  type BenchChange,
  type BenchRun,
  type BenchSetup,
  benchOf,
  FRESH_SETUP,
  readSetup,
} from "../../core/trade/bench/index.ts";
import { useDraft } from "../drafts/useDraft.ts";

export const PACES = [1, 10, 60] as const;
export type Pace = (typeof PACES)[number];

const TICK_MS = 200;
/** So often what runs is kept, so that a reload loses no more of it. */
const KEPT_EVERY_MS = 3000;
/** A tab that was away goes on where it was, and doesn't run an hour at once, s. */
const MOST_AT_ONCE_S = 120;

const seedNow = () => Math.floor(Math.random() * 2 ** 31);

/** The bench of whoever is signed in: it runs on while its page is open, and is found again as it was left. */
export function useBench() {
  const [kept, keep] = useDraft<BenchSetup>("bench", FRESH_SETUP);
  const [pace, setPace] = useState<Pace>(10);
  const [isRunning, setRunning] = useState(false);
  const [, redraw] = useReducer((count: number) => count + 1, 0);
  const setup = useRef<BenchSetup>(kept);
  const run = useRef<BenchRun>(undefined);
  const own = useRef<BenchSetup>(undefined);
  if (run.current === undefined || (kept !== own.current && kept !== setup.current)) {
    setup.current = readSetup(kept) ?? FRESH_SETUP;
    own.current = kept;
    run.current = benchOf(setup.current);
  }
  const bench = run.current;
  const put = (next: BenchSetup) => {
    setup.current = next;
    own.current = next;
    keep(next);
  };
  const keepNow = useRef(() => undefined as undefined);
  keepNow.current = () => {
    put({ ...setup.current, ranS: Math.round(bench.atS) });
    return undefined;
  };
  const lastKept = useRef(0);
  useEffect(() => {
    if (!isRunning) return undefined;
    let last = performance.now();
    let owed = 0;
    const timer = setInterval(() => {
      const now = performance.now();
      owed = Math.min(MOST_AT_ONCE_S, owed + ((now - last) / 1000) * pace);
      last = now;
      const whole = Math.floor(owed);
      if (whole === 0) return;
      owed -= whole;
      run.current?.advance(whole);
      if (run.current?.isOver) setRunning(false);
      if (now - lastKept.current > KEPT_EVERY_MS) {
        lastKept.current = now;
        keepNow.current();
      }
      redraw();
    }, TICK_MS);
    return () => {
      clearInterval(timer);
      keepNow.current();
    };
  }, [isRunning, pace]);
  const change = (given: Omit<BenchChange, "s">) => {
    const made = { s: Math.round(bench.atS), ...given };
    applyChange(bench, made);
    put({ ...setup.current, changes: [...setup.current.changes, made], ranS: made.s });
    redraw();
  };
  const anew = (given: Partial<Pick<BenchSetup, "carKey" | "script">>) => {
    const { carKey, script } = setup.current;
    const next = { carKey, script, ...given, seed: seedNow(), changes: [], ranS: 0 };
    run.current = benchOf(next);
    put(next);
    redraw();
  };
  return { bench, setup: setup.current, pace, setPace, isRunning, setRunning, change, anew };
}

export type BenchHere = ReturnType<typeof useBench>;

/** What is in it and held now: the last that was said of each. */
export const putNow = ({ changes }: BenchSetup) => ({
  faults: changes.findLast(({ faults }) => faults)?.faults ?? [],
  held: changes.findLast(({ held }) => held)?.held ?? {},
});
