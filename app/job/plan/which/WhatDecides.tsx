import type { BreakEven, SchoolSays, WeighedOptions } from "../../../../core/trade/sourcing/index.ts";
import { CostSpread } from "./CostSpread.tsx";

const hoursWords = (hours: number) => `${Number(hours.toFixed(1))} h`;

function evenWords({ dearId, cheapId, hours }: BreakEven, nameOf: (id: string) => string): string {
  const [dear, cheap] = [nameOf(dearId), nameOf(cheapId)];
  if (hours === null) return `However long the job, ${dear} comes dearer than ${cheap}.`;
  return hours === 0
    ? `However short the job, ${dear} comes cheaper than ${cheap}.`
    : `Above ${hoursWords(hours)} of work ${dear} comes cheaper than ${cheap}.`;
}

/** What the options come to beside each other, from which length of job the dearer pays, and what each school would take. */
export function WhatDecides({
  weighed,
  schools,
  months,
  nameOf,
  money,
}: {
  weighed: WeighedOptions;
  schools: readonly SchoolSays[];
  /** As they are typed. */
  months: string;
  nameOf: (id: string) => string;
  money: (minor: number) => string;
}) {
  return (
    <>
      <CostSpread compared={weighed.compared} nameOf={nameOf} money={money} />
      <p className="text-ink-2">
        The mark is the average, the bar where eight of ten jobs end, over {months} months.
      </p>
      <ul className="flex flex-col gap-1">
        {weighed.evens.map((even) => (
          <li key={even.dearId}>{evenWords(even, nameOf)}</li>
        ))}
      </ul>
      <section aria-labelledby="schools">
        <h4 id="schools" className="mb-1 font-bold text-lg">
          What each school would take
        </h4>
        <dl className="border-ink border-t-2">
          {schools.map(({ school, id, because }) => (
            <div key={school} className="grid gap-x-4 border-rule border-b py-2 sm:grid-cols-2">
              <dt>{school}</dt>
              <dd>
                <span className="font-bold">{id ? nameOf(id) : "Not its case"}</span>
                <span className="block text-ink-2">{because}</span>
              </dd>
            </div>
          ))}
        </dl>
      </section>
    </>
  );
}
