import type { TestKnowledge } from "../../../core/trade/diagnosis/knowledge/index.ts";
import type { PracticeRound } from "../../../core/trade/practice/index.ts";
import { VerdictShape } from "../../ui/VerdictMark.tsx";
import { GROUPS, verdictOf } from "./act-words.ts";

/** Every test that this car can have, by what the engine must be for it. */
export function TestList({
  tests,
  round,
  chosen,
  onChoose,
}: {
  tests: readonly TestKnowledge[];
  round: PracticeRound;
  chosen: string | undefined;
  onChoose: (test: string) => void;
}) {
  const markOf = (id: string) => {
    const done = round.resultOf(id);
    return done && verdictOf(done);
  };
  return GROUPS.map(({ name, has }) => (
    <section key={name} aria-label={name}>
      <h3 className="border-rule border-b text-base text-ink-2">{name}</h3>
      <ul className="grid gap-x-4 sm:grid-cols-2">
        {tests.filter(has).map(({ id, name: test, minutes }) => {
          const verdict = markOf(id);
          return (
            <li key={id}>
              <button
                type="button"
                aria-pressed={id === chosen}
                className="flex min-h-12 w-full items-center gap-2 py-1 text-left leading-tight underline-offset-4 aria-pressed:font-bold aria-pressed:underline"
                onClick={() => onChoose(id)}
              >
                <span className="w-5 shrink-0">{verdict && <VerdictShape verdict={verdict} />}</span>
                <span className="flex-1">{test}</span>
                <span className="figure text-ink-2 text-sm">
                  {minutes}
                  <span className="sr-only"> minutes</span>
                </span>
              </button>
            </li>
          );
        })}
      </ul>
    </section>
  ));
}
