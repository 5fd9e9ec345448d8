import { hypothesisOf } from "../../../core/trade/diagnosis/knowledge/index.ts";
import type { FaultPractised } from "../../../server/subjects/practice/read-practice.ts";
import { FigureTable } from "./FigureTable.tsx";

/** By kind of fault, what people here find hard: for the lead, and without a name. */
export function ShopsRounds({ faults }: { faults: readonly FaultPractised[] }) {
  if (faults.length === 0) return null;
  return (
    <section aria-labelledby="shops-rounds" className="mt-8 flex flex-col gap-3 border-rule border-t pt-5">
      <h2 id="shops-rounds" className="text-2xl">
        What is found hard here
      </h2>
      <p className="text-ink-2">
        All rounds of this shop by what was hidden, the hardest first; nobody is named.
      </p>
      <FigureTable
        of="Hidden"
        columns={["Rounds", "Right at once", "Repairs in vain", "Boiled", "Opened hot", "People"]}
        rows={faults.map(({ fault, rounds, right, wrongRepairs, boiled, openedHot, people }) => ({
          name: fault === "" ? "nothing wrong" : (hypothesisOf(fault)?.name ?? fault),
          figures: [rounds, right, wrongRepairs, boiled, openedHot, people],
        }))}
      />
    </section>
  );
}
