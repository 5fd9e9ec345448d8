import { memo } from "react";
import { type Entry, standing } from "../../../core/book/entry/index.ts";
import { factOf, OwnTest, TestOutcome } from "../../../core/book/facts/index.ts";
import type { Verdict } from "../../../core/kernel/verdict/index.ts";
import { testOf } from "../../../core/trade/diagnosis/knowledge/index.ts";
import { Button } from "../../ui/Button.tsx";
import { clockOf } from "../../ui/dates.ts";
import { VerdictShape } from "../../ui/VerdictMark.tsx";
import { useJob } from "../stage/context.ts";
import type { Find } from "./belief/useFind.ts";

const verdictOf = (entry: Entry): Verdict => {
  const said = factOf(entry)?.fact;
  return said instanceof TestOutcome || said instanceof OwnTest ? said.verdict : "not-seen";
};
const testNamed = (entry: Entry): string => {
  const said = factOf(entry)?.fact;
  return said instanceof TestOutcome ? said.test : "";
};

/** Everything tested so far, each result with a way to take it back or do it once more. */
export const Done = memo(function Done({ find, onTest }: { find: Find; onTest: (test: string) => void }) {
  const { entries, timeZone, mayBook, page } = useJob();
  const tests = standing(entries).filter((entry) => entry.kind === "test");
  const isEvidence = (entryId: string) =>
    find.state?.results.some((result) => result.entryId === entryId) ?? false;
  const told = find.state?.results.filter((result) => result.from !== "person") ?? [];
  return (
    <section aria-labelledby="done">
      <h3 id="done" className="mb-1 text-xl">
        Tested so far
      </h3>
      {tests.length + told.length === 0 && (
        <p className="text-ink-2">Nothing yet. Look and listen first: it costs nothing.</p>
      )}
      <ul>
        {tests.map((test) => (
          <li key={test.id} className="flex flex-wrap items-center gap-x-3 border-rule border-b py-1.5">
            <VerdictShape verdict={verdictOf(test)} />
            <span className="min-w-48 flex-1">
              <span className="font-bold">{test.item}</span> {test.text && <span>{test.text}</span>}{" "}
              <span className="figure text-ink-2 text-sm">
                {clockOf(test.at, timeZone)} {page.names[test.by]?.split(" ")[0]}
              </span>
            </span>
            {mayBook && (
              <span className="flex">
                {isEvidence(test.id) && (
                  <Button
                    weight="quiet"
                    className="px-2"
                    aria-label={`Once more: ${test.item}`}
                    onClick={() => onTest(testNamed(test))}
                  >
                    Once more
                  </Button>
                )}
                <Button
                  data-undoes
                  weight="quiet"
                  className="px-2"
                  aria-label={`Take it back: ${test.item}`}
                  onClick={() => find.strike(test.id, "test")}
                >
                  Take it back
                </Button>
              </span>
            )}
          </li>
        ))}
        {told.map((result) => {
          const test = testOf(result.test);
          const outcome = test.outcomes.find(({ id }) => id === result.outcome);
          return (
            <li key={result.test} className="flex items-center gap-3 border-rule border-b py-1.5">
              <VerdictShape verdict={outcome?.verdict ?? "not-seen"} />
              <span>
                <span className="font-bold">{test.name}</span> {outcome?.name}{" "}
                <span className="text-ink-2">
                  {result.from === "log" ? "by the booked log" : "by the reading booked"}
                </span>
              </span>
            </li>
          );
        })}
      </ul>
      {find.state && find.state.tried.length > 0 && (
        <ul className="mt-2">
          {find.state.tried.map(({ repair, entryId, name }) => (
            <li key={entryId} className="flex flex-wrap items-center gap-x-3 border-rule border-b py-1.5">
              <VerdictShape verdict="fail" />
              <span className="min-w-48 flex-1">
                <span className="font-bold">{name}</span> tried, the trouble stayed: what it mends is ruled
                out
              </span>
              {mayBook && (
                <Button
                  data-undoes
                  weight="quiet"
                  className="px-2"
                  aria-label={`Take it back: ${name} tried`}
                  onClick={() => find.strike(entryId, "decision")}
                  data-repair={repair}
                >
                  Take it back
                </Button>
              )}
            </li>
          ))}
        </ul>
      )}
      {find.state && find.state.cannot.length > 0 && (
        <ul className="mt-2">
          {find.state.cannot.map(({ test, entryId, because }) => (
            <li key={entryId} className="flex flex-wrap items-center gap-x-3 text-ink-2">
              <span className="flex-1">
                {testOf(test).name}: {because}
              </span>
              <Button
                weight="quiet"
                className="px-2"
                disabled={!mayBook}
                onClick={() => find.strike(entryId, "decision")}
              >
                It can now
              </Button>
            </li>
          ))}
        </ul>
      )}
    </section>
  );
});
