import { type Remote, wrap } from "comlink";

/** A worker that hasn't said by then that it is there is not coming: its script could not be had, or the tablet starves it. */
const PATIENCE_MS = 2000;

/** What a worker gives beside its work: a word that it is there. */
export interface Present {
  isHere: () => true;
}
export const isHere = (): true => true;

export interface Thread<Work> {
  ask: <Result>(call: (work: Remote<Work> | Work) => Promise<Result> | Result) => Promise<Result>;
  close: () => void;
}

/** No worker at all where the browser can't start one: an old one without modules in workers throws here. */
function started(start: () => Worker): Worker | undefined {
  try {
    return start();
  } catch {
    return undefined;
  }
}

/**
 * Works in a worker; where there is none to be had, `here`, so that a dead network takes nobody's answer away. A worker that is
 * there has as long as its work takes; one that breaks over it leaves it to be done here.
 */
export function openThread<Work extends Present>(
  start: () => Worker,
  here: () => Promise<Omit<Work, keyof Present>>,
): Thread<Omit<Work, keyof Present>> {
  const worker = started(start);
  if (!worker) return { ask: async (call) => call(await here()), close: () => undefined };
  const remote = wrap<Work>(worker);
  const broken = new Promise<false>((tell) =>
    worker.addEventListener("error", () => tell(false), { once: true }),
  );
  const there = Promise.resolve((remote as unknown as Remote<Present>).isHere());
  // Anew for each question: a worker that was slow to start does the next one.
  const isThere = () => {
    const late = new Promise<false>((tell) => setTimeout(() => tell(false), PATIENCE_MS));
    return Promise.race([there, broken, late]);
  };
  return {
    ask: async (call) => {
      if (!(await isThere())) return call(await here());
      const answer = Promise.resolve(call(remote as Remote<Omit<Work, keyof Present>>));
      // What the work itself refuses is its answer; only a worker that says nothing more is none.
      const first = await Promise.race([answer.then((result) => ({ result })), broken]);
      return first ? first.result : call(await here());
    },
    close: () => worker.terminate(),
  };
}
