import { memo } from "react";
import { testOf } from "../../../core/trade/diagnosis/knowledge/index.ts";
import { Button } from "../../ui/Button.tsx";
import type { KnownFind } from "./belief/useFind.ts";
import { engineWords } from "./NextTest.tsx";

/** Every other test that could be done, best next first; any of them can be taken. */
export const OtherTests = memo(function OtherTests({
  find,
  shown,
  onTest,
}: {
  find: KnownFind;
  shown: string | undefined;
  onTest: (test: string) => void;
}) {
  const tests = find.state.actions.filter(({ kind, id }) => kind === "test" && id !== shown);
  return (
    <section aria-label="Other tests">
      <p className="text-ink-2">{tests.length} other tests, best first</p>
      <ul className="grid gap-x-8 lg:grid-cols-2">
        {tests.map(({ id, ...action }) => (
          <li key={id} className="flex items-center justify-between gap-3 border-rule border-b">
            <Button weight="quiet" className="justify-start px-1 text-left" onClick={() => onTest(id)}>
              {testOf(id).name}
            </Button>
            <span className="text-right text-ink-2">
              <span className="figure whitespace-nowrap">{testOf(id).minutes} min</span>{" "}
              <span className="text-sm">{engineWords(action)}</span>
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
});
