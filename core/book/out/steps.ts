import { WAYS_BACK, type WayBack } from "../../trade/order/index.ts";
import { onceStanding, type StandingEntry, standing } from "../entry/index.ts";
import { factsOf, StepBack, StepDone, tells } from "../facts/index.ts";
import { lastHotMs } from "../heat/index.ts";
import { balanceKey } from "./balance.ts";
import { stillOut } from "./still-out.ts";

export interface StepState {
  step: string;
  /** The line that said last that it was done. */
  entryId: string;
  /** It is done now: nobody has undone it, and nothing has made it untrue since. */
  isDone: boolean;
  /** It is still to be undone by its own word: plugs that are on again are still to be seen locked and on their sides. */
  isOpen: boolean;
  /** What made it untrue, in words. */
  because?: string;
}

/** True where all that the step takes off was off and is on again since, whoever wrote it in and wherever. */
function isAllBack(back: WayBack, since: number, lastIn: LastBack, out: ReadonlySet<string>): boolean {
  const keys = (back.takes ?? []).map(balanceKey);
  if (keys.length === 0 || keys.some((key) => out.has(key))) return false;
  return keys.some((key) => (lastIn.get(key) ?? Number.NEGATIVE_INFINITY) > since);
}

/** When each thing last went back, by its place in the book; plugs of every kind under one more name. */
const ANY_PLUG = "any plug";
type LastBack = ReadonlyMap<string, number>;
const wentBack = ({ account, in: back = 0 }: StandingEntry) => back > 0 && account !== "coolant";

function backToo(before: LastBack, lines: readonly StandingEntry[]): LastBack {
  const last = new Map(before);
  for (const entry of lines.filter(wentBack)) {
    last.set(balanceKey(entry), entry.order);
    if (entry.account === "connector" && entry.kind === "movement") last.set(ANY_PLUG, entry.order);
  }
  return last;
}
const lastBack = onceStanding(
  (entries): LastBack => backToo(new Map(), standing(entries)),
  wentBack,
  backToo,
);

/**
 * Each step of the order of work that was ever done, in the order in which it was done last: off and back in turn as often as it
 * happens. What makes one untrue: heat makes an engine that was cold hot, what went back on ends what took it off.
 */
export const stepsState = onceStanding((entries): StepState[] => {
  const told = [...factsOf(entries, StepDone), ...factsOf(entries, StepBack)];
  const states = new Map<string, StepState & { order: number; atMs: number }>();
  for (const { fact: said, entry } of told.sort((a, b) => a.entry.order - b.entry.order)) {
    if (said instanceof StepBack) {
      const state = states.get(said.step);
      if (state && state.entryId === said.done)
        Object.assign(state, { isDone: false, isOpen: false, because: "it was undone" });
      continue;
    }
    states.delete(said.step);
    states.set(said.step, {
      step: said.step,
      entryId: entry.id,
      isDone: true,
      isOpen: true,
      order: entry.order,
      atMs: Date.parse(entry.at),
    });
  }
  if (states.size === 0) return [];
  const still = stillOut(entries);
  const out = new Set(still.map(balanceKey));
  const lastIn = lastBack(entries);
  // A plug that went back on after its step makes the step untrue, as long as none of them is off.
  const isPlugOff = still.some(({ account }) => account === "connector");
  const arePlugsBack = (since: number) => !isPlugOff && (lastIn.get(ANY_PLUG) ?? since) > since;
  const hotMs = lastHotMs(entries);
  return [...states.values()].map(({ order, atMs, ...state }): StepState => {
    if (!state.isDone) return state;
    const undone = (because: string, isOpen = false): StepState => ({
      ...state,
      isDone: false,
      isOpen,
      because,
    });
    if (state.step === "cold" && hotMs > atMs) return undone("it was run hot since");
    if (state.step === "plugs" && arePlugsBack(order)) return undone("the plugs are on again", true);
    const back = Object.hasOwn(WAYS_BACK, state.step) ? WAYS_BACK[state.step] : undefined;
    return back && isAllBack(back, order, lastIn, out) ? undone("what it took off is on again") : state;
  });
}, tells);
