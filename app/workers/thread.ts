import { type Remote, wrap } from "comlink";

/** A worker that hasn't answered by then is not coming: its script could not be had, or the tablet starves it. */
const PATIENCE_MS = 2000;

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

/** Works in a worker; where there is none to be had, `here`, so that a dead network takes nobody's answer away. */
export function openThread<Work>(start: () => Worker, here: () => Promise<Work>): Thread<Work> {
  const worker = started(start);
  if (!worker) return { ask: async (call) => call(await here()), close: () => undefined };
  const remote = wrap<Work>(worker);
  const broken = new Promise<undefined>((tell) =>
    worker.addEventListener("error", () => tell(undefined), { once: true }),
  );
  return {
    ask: async (call) => {
      const late = new Promise<undefined>((tell) => setTimeout(() => tell(undefined), PATIENCE_MS));
      const answer = Promise.resolve(call(remote)).then((result) => ({ result }));
      // What the work itself refuses is its answer; only a worker that says nothing is none.
      const first = await Promise.race([answer, broken, late]);
      return first ? first.result : call(await here());
    },
    close: () => worker.terminate(),
  };
}
