import type { ReactNode } from "react";
import { format, type System } from "../../../core/kernel/units/index.ts";
import type { RoundTold } from "../../../core/trade/practice/index.ts";
import { useMember } from "../../desk/member.ts";
import { moneyOf } from "../../ui/money.ts";
import { ActList } from "./DoneSoFar.tsx";

const yes = (is: boolean, words: string) => (is ? <b>{words}</b> : "no");

/** What each figure is called, and how it is told of one way. */
const ROWS: {
  name: string;
  of: (told: RoundTold, shown: { system: System; currency: string }) => ReactNode;
}[] = [
  { name: "Comes to", of: ({ cents }, { currency }) => moneyOf(cents, currency) },
  { name: "of that a comeback", of: ({ comebackCents }, { currency }) => moneyOf(comebackCents, currency) },
  { name: "Work", of: ({ workMinutes }) => `${workMinutes} min` },
  { name: "Nights", of: ({ nights }) => nights },
  { name: "Tests", of: ({ tests }) => tests },
  { name: "Repairs in vain", of: ({ wrongRepairs }) => wrongRepairs },
  {
    name: "Opened hot",
    of: ({ openedHot }, { system }) =>
      yes(
        openedHot.length > 0,
        openedHot
          .map(({ at, coolantC }) => `${at}, at ${format(coolantC, "temperature", system)}`)
          .join("; "),
      ),
  },
  { name: "Boiled", of: ({ hasBoiled }) => yes(hasBoiled, "yes") },
  { name: "Run before its level was looked at", of: ({ isUnlooked }) => yes(isUnlooked, "yes") },
  { name: "Hottest", of: ({ peakC }, { system }) => format(peakC, "temperature", system) },
];

/** One's own way beside the planner's: what each cost and what each risked, then both step by step. */
export function TwoWays({ own, planner }: { own: RoundTold; planner: RoundTold | "none" | undefined }) {
  const { units: system, currency } = useMember();
  const shown = { system, currency };
  const told = planner === "none" ? undefined : planner;
  const none = planner === "none" ? "–" : "…";
  return (
    <section aria-labelledby="two-ways" className="flex flex-col gap-4">
      <h2 id="two-ways" className="text-2xl">
        Two ways
      </h2>
      <table className="w-full max-w-3xl border-collapse">
        <thead>
          <tr className="border-ink border-b-2 text-left">
            <td />
            <th scope="col" className="py-1 pr-4">
              Yours
            </th>
            <th scope="col" className="py-1">
              The planner's
            </th>
          </tr>
        </thead>
        <tbody>
          {ROWS.map(({ name, of }) => (
            <tr key={name} className="border-rule border-b align-top">
              <th scope="row" className="py-1 pr-4 text-left font-normal text-ink-2">
                {name}
              </th>
              <td className="figure py-1 pr-4">{of(own, shown)}</td>
              <td className="figure py-1">{told ? of(told, shown) : none}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="max-w-3xl text-ink-2 text-sm">
        {own.end === "given-up" && "Given up: what the car still wants is not in yours. "}
        By the handbook's rates: work by the minute, waiting as what it keeps from being done, parts, and a
        comeback where it was handed back wrong. The planner doesn't know either what is hidden.
      </p>
      <div className="grid gap-x-8 gap-y-4 lg:grid-cols-2">
        <div>
          <h3 className="text-xl">Yours</h3>
          <ActList done={own.done} />
        </div>
        <div>
          <h3 className="text-xl">The planner's</h3>
          {told ? (
            <ActList done={told.done} />
          ) : (
            <p role="status">
              {planner === "none" ? "It could not be worked out here." : "It is being worked out."}
            </p>
          )}
        </div>
      </div>
    </section>
  );
}
