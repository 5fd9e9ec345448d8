import { AsyncLocalStorage } from "node:async_hooks";

/** What a request says of itself in the log; its statements are counted onto it. */
export interface Counted {
  statements?: number;
}

const asking = new AsyncLocalStorage<Counted>();

/** Does some work, and counts every statement that it asks of the database. */
export const counted = <Result>(onto: Counted, work: () => Result): Result => asking.run(onto, work);

/** One more statement was asked, by whoever asked it. */
export function countStatement(): void {
  const onto = asking.getStore();
  if (onto) onto.statements = (onto.statements ?? 0) + 1;
}
