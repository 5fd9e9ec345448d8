import { testedOwn } from "../../../../core/book/acts/index.ts";
import type { Judgement } from "../../../../core/kernel/verdict/index.ts";
import { UNSURE } from "../../../../core/trade/diagnosis/knowledge/index.ts";
import { useJob } from "../../stage/context.ts";
import type { KnownFind } from "../belief/useFind.ts";

/**
 * Books what an instrument says: as the result of the test it belongs to where this circuit has that test, else as a
 * test of its own that moves no belief. Without an outcome it was not seen.
 */
export function useReading(find: KnownFind) {
  const { book } = useJob();
  return (test: string, outcome: string | undefined, { verdict, because }: Judgement, item: string) => {
    const isHere = find.state.model.tests.some(({ id }) => id === test);
    if (isHere) find.report(test, outcome ?? UNSURE, because.slice(0, 1900));
    else book(testedOwn(item, verdict, because.slice(0, 1900)));
  };
}
