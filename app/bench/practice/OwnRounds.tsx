import { benchCar } from "../../../core/trade/bench/index.ts";
import { hypothesisOf } from "../../../core/trade/diagnosis/knowledge/index.ts";
import { LEVELS } from "../../../core/trade/practice/index.ts";
import type { RoundKept } from "../../../server/subjects/practice/read-practice.ts";
import { useMember } from "../../desk/member.ts";
import { dayOf } from "../../ui/dates.ts";
import { moneyOf } from "../../ui/money.ts";
import { VerdictShape } from "../../ui/VerdictMark.tsx";

const nameOfCar = (key: string) => {
  try {
    return benchCar(key).name;
  } catch {
    return key;
  }
};

/** By level: how many, how many right, and what they cost beside the planner's way. */
function Levels({ rounds }: { rounds: readonly RoundKept[] }) {
  const rows = LEVELS.flatMap(({ id, name }) => {
    const here = rounds.filter(({ level }) => level === id);
    if (here.length === 0) return [];
    const beside = here.flatMap(({ cents, plannerCents }) =>
      plannerCents === null || plannerCents === 0 ? [] : [{ cents, plannerCents }],
    );
    const own = beside.reduce((sum, { cents }) => sum + cents, 0);
    const planner = beside.reduce((sum, { plannerCents }) => sum + plannerCents, 0);
    const right = here.filter(({ isRight }) => isRight).length;
    return [{ id, name, count: here.length, right, times: planner > 0 ? own / planner : undefined }];
  });
  return (
    <table className="w-full max-w-3xl border-collapse">
      <thead>
        <tr className="border-ink border-b-2 text-left">
          <th scope="col">Level</th>
          <th scope="col" className="text-right">
            Rounds
          </th>
          <th scope="col" className="text-right">
            Right at once
          </th>
          <th scope="col" className="text-right">
            Cost, planner's = 1
          </th>
        </tr>
      </thead>
      <tbody>
        {rows.map(({ id, name, count, right, times }) => (
          <tr key={id} className="border-rule border-b">
            <th scope="row" className="py-1 text-left font-normal">
              {name}
            </th>
            <td className="figure text-right">{count}</td>
            <td className="figure text-right">{right}</td>
            <td className="figure text-right">{times === undefined ? "–" : times.toFixed(1)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** What one has played: nobody else sees it. */
export function OwnRounds({ rounds }: { rounds: readonly RoundKept[] }) {
  const { currency, timeZone } = useMember();
  if (rounds.length === 0) return null;
  return (
    <section aria-labelledby="own-rounds" className="mt-8 flex flex-col gap-3 border-rule border-t pt-5">
      <h2 id="own-rounds" className="text-2xl">
        Your rounds
      </h2>
      <Levels rounds={rounds} />
      <details>
        <summary className="min-h-12 py-3 font-bold">One by one</summary>
        <ul>
          {rounds.map(({ id, at, carKey, faults, isRight, cents, plannerCents, hasBoiled, openedHot }) => (
            <li key={id} className="flex flex-wrap items-baseline gap-x-4 border-rule border-b py-1.5">
              <span className="self-center">
                <VerdictShape verdict={isRight ? "pass" : "fail"} />
              </span>
              <span className="text-ink-2">{dayOf(at, timeZone)}</span>
              <span>
                {nameOfCar(carKey)}:{" "}
                {faults.length === 0
                  ? "nothing wrong"
                  : faults.map((fault) => hypothesisOf(fault)?.name ?? fault).join(", ")}
              </span>
              <span className="figure">
                {moneyOf(cents, currency)}
                {plannerCents !== null && ` / ${moneyOf(plannerCents, currency)}`}
              </span>
              {hasBoiled && <b>boiled</b>}
              {openedHot > 0 && <b>opened hot</b>}
            </li>
          ))}
        </ul>
      </details>
    </section>
  );
}
