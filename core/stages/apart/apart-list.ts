import { type Account, type Entry, standing } from "../../book/entry/index.ts";
import { factsOf, StepBack, StepDone } from "../../book/facts/index.ts";
import { balance, balanceKey, stepsState } from "../../book/out/index.ts";
import { WAYS_BACK } from "../../trade/order/index.ts";
import { type WorkOrder } from "../plan/index.ts";
import { type CameOff, comesOffWith, stepOf } from "../strip/index.ts";

/** Something that came off, by how many are off now and how many are on again; `asked`: not off yet, as many as usual. */
export interface ApartThing {
  account: Account;
  item: string;
  place: string;
  off: number;
  back: number;
  where?: string;
  asked?: number;
}

/** A step of the order with what comes off with it, or what came off by itself. */
export interface ApartRow {
  id: string;
  /** Nothing where things came off without a step. */
  step?: { id: string; name: string; backName?: string };
  /** `on`: not begun. `off`: done, and something to undo. `back`: undone, or all that came off is on again. `done`: leaves nothing to undo. */
  stands: "on" | "off" | "back" | "done";
  /** It may be done now by the order, and opens nothing that has to be looked at first. */
  isReady: boolean;
  things: ApartThing[];
}

/** Which step a thing belongs to: what the step itself takes off, what was booked in the same act, what its own words tell. */
function stepsOfThings(
  entries: readonly Entry[],
  steps: ReadonlySet<string>,
): (key: string) => string | undefined {
  const own = new Map<string, string>();
  for (const step of steps)
    for (const taken of (Object.hasOwn(WAYS_BACK, step) && WAYS_BACK[step]?.takes) || [])
      own.set(balanceKey(taken), step);
  const actOf = ({ at, by }: { at: string; by: string }) => `${at} ${by}`;
  const acts = new Map(factsOf(entries, StepDone).map(({ fact, entry }) => [actOf(entry), fact.step]));
  const told = new Map<string, string>();
  for (const entry of standing(entries)) {
    if (!entry.account || !entry.out) continue;
    const { account, item = "", place = "", text } = entry;
    const words = stepOf({ account, item, place, count: 1, ...(text && { where: text }) });
    const step = acts.get(actOf(entry)) ?? words;
    if (step) told.set(balanceKey(entry), step);
  }
  return (key) => {
    const step = own.get(key) ?? told.get(key);
    return step && steps.has(step) ? step : undefined;
  };
}

/** When each thing last came off, in the order of the book, and from where on the car. */
function lastOff(entries: readonly Entry[]): Map<string, { order: number; where?: string }> {
  const last = new Map<string, { order: number; where?: string }>();
  for (const entry of standing(entries))
    if (entry.account && entry.out)
      last.set(balanceKey(entry), { order: entry.order, ...(entry.text && { where: entry.text }) });
  return last;
}

const isCounted = ({ account }: { account: Account }) => account !== "coolant" && account !== "tool";

/**
 * Steps and things in one list, in the order in which they really moved, then what the order of work has still to come. Strip reads it
 * from the top, Build from the bottom. `last`: what the last job on the model wrote out, asked for where it isn't off. Coolant and
 * tools are not in it.
 */
export function apartList(
  entries: readonly Entry[],
  work: WorkOrder | undefined,
  last: readonly CameOff[],
): ApartRow[] {
  const states = new Map(stepsState(entries).map((state) => [state.step, state]));
  const planned = work?.steps ?? [];
  const known = new Set([...planned.map(({ id }) => id), ...states.keys()]);
  const stepOfThing = stepsOfThings(entries, known);
  const cameOff = lastOff(entries);
  const orderOf = new Map(standing(entries).map(({ id, order }) => [id, order]));
  const wentBack = new Set(factsOf(entries, StepBack).map(({ fact }) => fact.done));
  // A step that opens a cap or loosens a hose is done where the cap's evidence is asked for.
  const ready = new Set(work?.ready.flatMap(({ id, isCold }) => (isCold ? [] : [id])));

  const things = balance(entries)
    .filter((line) => isCounted(line) && line.out > 0)
    .map((line): ApartThing & { key: string; order: number } => {
      const key = balanceKey(line);
      const { account, item, place, out, open } = line;
      const off = Math.max(0, open);
      const came = cameOff.get(key);
      const where = came?.where;
      return {
        ...{ key, account, item, place, off, back: out - off },
        ...(where && { where }),
        order: came?.order ?? 0,
      };
    });
  const plain = ({ key: _key, order: _order, ...thing }: (typeof things)[number]): ApartThing => thing;
  const isKnown = new Set(things.map(({ key }) => key));
  const askedAt = (step: string) =>
    comesOffWith(step, last, entries)
      .filter((each) => !isKnown.has(balanceKey(each)))
      .map(
        ({ account, item, place, count, where }): ApartThing => ({
          ...{ account, item, place, off: 0, back: 0, asked: count },
          ...(where && { where }),
        }),
      );
  const inStep = (step: string) => things.filter(({ key }) => stepOfThing(key) === step).map(plain);

  const nameOf = new Map(planned.map(({ id, name }) => [id, name]));
  const moved = [...states.values()].map(({ step, entryId, isDone, isOpen }) => {
    const way = Object.hasOwn(WAYS_BACK, step) ? WAYS_BACK[step] : undefined;
    const isBack = wentBack.has(entryId) || (!isDone && !isOpen);
    const row: ApartRow = {
      id: step,
      step: { id: step, name: nameOf.get(step) ?? way?.name ?? step, ...(way && { backName: way.name }) },
      stands: way ? (isBack ? "back" : "off") : isDone ? "done" : "on",
      isReady: ready.has(step),
      things: [...inStep(step), ...(isBack ? [] : askedAt(step))],
    };
    return { row, order: orderOf.get(entryId) ?? 0 };
  });
  const loose = things
    .filter(({ key }) => {
      const step = stepOfThing(key);
      // What came off before its step was said to be done stands by itself until it is.
      return step === undefined || !states.has(step);
    })
    .map((thing) => ({
      row: {
        id: thing.key,
        stands: thing.off > 0 ? "off" : "back",
        isReady: false,
        things: [plain(thing)],
      } satisfies ApartRow,
      order: thing.order,
    }));
  const toCome = planned
    .filter(({ id }) => !states.has(id))
    .map(
      ({ id, name }): ApartRow => ({
        id,
        step: { id, name, ...(WAYS_BACK[id] && { backName: WAYS_BACK[id].name }) },
        stands: "on",
        isReady: ready.has(id),
        things: askedAt(id),
      }),
    );
  return [...[...moved, ...loose].sort((a, b) => a.order - b.order).map(({ row }) => row), ...toCome];
}
