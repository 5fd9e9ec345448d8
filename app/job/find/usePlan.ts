import { startTransition, useEffect, useMemo, useRef, useState } from "react";
import { type Belief, type FindPlan, type FindState, keyOf } from "../../../core/stages/find/index.ts";
import type { FindRead } from "../../../server/books/jobs/read-find.ts";
import { openPlanner } from "../../workers/planner.ts";
import { useThread } from "../../workers/useThread.ts";

/** Results are taken back and put again: their plans are kept. */
const MOST_KEPT = 24;

type Plans = ReadonlyMap<string, FindPlan>;

/** The plan of a belief: what came with the page, what was worked out before, or undefined until the worker has it. */
function useAnswer(belief: Belief | undefined, planned: FindRead["planned"]): FindPlan | undefined {
  const [answers, setAnswers] = useState<Plans>(new Map());
  const ask = useThread(openPlanner, { atOnce: true });
  const key = useMemo(() => belief && keyOf(belief.question), [belief]);
  const plan = key === undefined ? undefined : key === planned?.key ? planned.plan : answers.get(key);
  useEffect(() => {
    if (!belief || key === undefined || plan) return;
    let isAsked = true;
    const keep = (answer: FindPlan) =>
      startTransition(() => {
        if (isAsked) setAnswers((known) => new Map([...known].slice(1 - MOST_KEPT)).set(key, answer));
      });
    const fail = (fault: unknown) =>
      isAsked &&
      setAnswers(() => {
        throw fault;
      });
    ask(({ planOf }) => planOf(belief.question)).then(keep, fail);
    return () => {
      isAsked = false;
    };
  }, [ask, belief, key, plan]);
  return plan;
}

/**
 * All that Find shows, belief and plan always of one moment: until a new plan is there the last whole state stays, so
 * that nothing moves twice. `isThinking` while it does.
 */
export function usePlan(belief: Belief | undefined, planned: FindRead["planned"]) {
  const plan = useAnswer(belief, planned);
  const whole = useMemo(
    (): FindState | undefined => (belief && plan ? { ...belief, ...plan } : undefined),
    [belief, plan],
  );
  const last = useRef<FindState>(undefined);
  if (whole || !belief) last.current = whole;
  const bare = useMemo(() => belief && { ...belief, actions: [], conflict: null }, [belief]);
  return { state: whole ?? last.current ?? bare, isThinking: belief !== undefined && !whole };
}
