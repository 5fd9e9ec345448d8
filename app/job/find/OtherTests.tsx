import { testOf } from "../../../core/diagnosis/knowledge/index.ts";
import { Button } from "../../ui/Button.tsx";
import type { KnownFind } from "./useFind.ts";

/** Every other test that could be done, best next first; any of them can be taken. */
export function OtherTests({
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
    <details>
      <summary className="min-h-12 py-3 font-bold">{tests.length} other tests, best first</summary>
      <ul className="grid gap-x-8 lg:grid-cols-2">
        {tests.map(({ id }) => (
          <li key={id} className="flex items-center justify-between gap-3 border-rule border-b">
            <Button weight="quiet" className="justify-start px-1 text-left" onClick={() => onTest(id)}>
              {testOf(id).name}
            </Button>
            <span className="figure whitespace-nowrap text-ink-2">{testOf(id).minutes} min</span>
          </li>
        ))}
      </ul>
    </details>
  );
}
