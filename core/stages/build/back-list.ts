import { type Entry, standing } from "../../book/entry/index.ts";
import { type BuildGroup, balanceKey, buildList } from "../../book/out/index.ts";
import { type BackStep, buildOrder } from "./build-order.ts";

/** A step to undo, or things that left one place together: one list, since they came off in one order. */
export type BackItem = { at: string } & (
  | { step: BackStep; group?: undefined }
  | { group: BuildGroup; step?: undefined }
);

export interface BackList {
  /** What can go back now, by when it came off, the last first. */
  now: BackItem[];
  /** What waits for something else, then tools and line caps, which hold nothing up. */
  waits: BackItem[];
}

/** Tools and line caps hold nothing up, so they are offered after what does. */
export const isBeside = (group: BuildGroup): boolean =>
  group.items.every(({ account }) => account === "tool" || account === "line-cap");

const lastOff = (group: BuildGroup) =>
  group.items.reduce(
    (last, { at }) => (Date.parse(at) > Date.parse(last) ? at : last),
    "1970-01-01T00:00:00Z",
  );

const lastFirst = (items: readonly BackItem[]) =>
  [...items].sort((a, b) => Date.parse(b.at) - Date.parse(a.at));

/** Everything that goes back in one list, last off first, steps and things; what goes back with its step is not in it twice. */
export function backList(entries: readonly Entry[]): BackList {
  const order = buildOrder(entries);
  const atOf = new Map(standing(entries).map(({ id, at }) => [id, at]));
  const withStep = new Set(
    [...order.now, ...order.waits].flatMap(({ back }) => (back.takes ?? []).map(balanceKey)),
  );
  const groups = buildList(entries)
    .map((group) => ({ ...group, items: group.items.filter((item) => !withStep.has(balanceKey(item))) }))
    .filter(({ items }) => items.length > 0)
    .map((group): BackItem & { group: BuildGroup } => ({ group, at: lastOff(group) }));
  const steps = (all: readonly BackStep[]) =>
    all.map((step): BackItem => ({ step, at: atOf.get(step.entryId) ?? "1970-01-01T00:00:00Z" }));
  return {
    now: lastFirst([...steps(order.now), ...groups.filter(({ group }) => group.ready && !isBeside(group))]),
    waits: [
      ...lastFirst([...steps(order.waits), ...groups.filter(({ group }) => !group.ready)]),
      ...groups.filter(({ group }) => group.ready && isBeside(group)),
    ],
  };
}
