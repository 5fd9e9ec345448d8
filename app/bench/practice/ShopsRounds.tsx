import { hypothesisOf } from "../../../core/trade/diagnosis/knowledge/index.ts";
import type { FaultPractised } from "../../../server/subjects/practice/read-practice.ts";

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
      <div className="overflow-x-auto">
        <table className="w-full min-w-[36rem] max-w-4xl border-collapse">
          <thead>
            <tr className="border-ink border-b-2 text-left">
              <th scope="col">Hidden</th>
              <th scope="col" className="text-right">
                Rounds
              </th>
              <th scope="col" className="text-right">
                Right at once
              </th>
              <th scope="col" className="text-right">
                Repairs in vain
              </th>
              <th scope="col" className="text-right">
                Boiled
              </th>
              <th scope="col" className="text-right">
                Opened hot
              </th>
              <th scope="col" className="text-right">
                People
              </th>
            </tr>
          </thead>
          <tbody>
            {faults.map(({ fault, rounds, right, wrongRepairs, boiled, openedHot, people }) => (
              <tr key={fault} className="border-rule border-b">
                <th scope="row" className="py-1 text-left font-normal">
                  {fault === "" ? "nothing wrong" : (hypothesisOf(fault)?.name ?? fault)}
                </th>
                {[rounds, right, wrongRepairs, boiled, openedHot, people].map((figure, column) => (
                  // biome-ignore lint/suspicious/noArrayIndexKey: a column is its place
                  <td key={column} className="figure text-right">
                    {figure}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </section>
  );
}
