import { memo } from "react";
import { hypothesisOf, testOf } from "../../../core/trade/diagnosis/knowledge/index.ts";
import { Button } from "../../ui/Button.tsx";
import type { KnownFind } from "./belief/useFind.ts";

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);

/** Said when no single fault fits: which result to repeat, and which two faults would explain all of them. */
export const TwoFaults = memo(function TwoFaults({
  find,
  onTest,
}: {
  find: KnownFind;
  onTest: (test: string) => void;
}) {
  const { conflict } = find.state;
  if (!conflict) return null;
  const names = conflict.pair?.faults.map((id) => hypothesisOf(id)?.name ?? id) ?? [];
  const [first, second] = conflict.pair?.faults ?? [];
  return (
    <div
      role="alert"
      className="flex flex-wrap items-center gap-3 border-ink border-l-[6px] bg-wash py-2 pr-2 pl-4"
    >
      <p className="min-w-64 flex-1 font-bold leading-snug">{conflict.because}</p>
      <Button onClick={() => onTest(conflict.oddOneOut.test)}>Repeat it</Button>
      {first && second && (
        <Button
          disabled={!find.mayBook}
          aria-label={`Both, book it: ${testOf(conflict.oddOneOut.test).name} stands`}
          onClick={() => find.decide(first, `${capital(names[0] ?? "")} and ${names[1]}`)}
        >
          Both, book it
        </Button>
      )}
    </div>
  );
});
