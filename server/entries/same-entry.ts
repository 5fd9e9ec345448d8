import type { Entry } from "../../core/book/entry/index.ts";

const SAID = [
  "stage",
  "kind",
  "account",
  "item",
  "place",
  "out",
  "in",
  "unit",
  "value",
  "text",
  "corrects",
] as const;

/** Keys in one order, so that the same thing is the same text whoever wrote it down. */
const inOrder = (value: unknown): unknown =>
  value && typeof value === "object" && !Array.isArray(value)
    ? Object.fromEntries(
        Object.entries(value)
          .filter(([, part]) => part !== undefined)
          .sort(([a], [b]) => (a < b ? -1 : 1))
          .map(([name, part]) => [name, inOrder(part)]),
      )
    : value;

/** Whether two entries say the same, whoever sent them and whenever. */
export function isSameEntry(a: Partial<Entry>, b: Partial<Entry>): boolean {
  return (
    SAID.every((field) => a[field] === b[field]) &&
    JSON.stringify(inOrder(a.data ?? {})) === JSON.stringify(inOrder(b.data ?? {}))
  );
}
