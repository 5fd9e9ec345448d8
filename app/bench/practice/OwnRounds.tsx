import { benchCar } from "../../../core/trade/bench/index.ts";
import { hypothesisOf } from "../../../core/trade/diagnosis/knowledge/index.ts";
import { LEVELS, MOST_ROUNDS } from "../../../core/trade/practice/index.ts";
import type { RoundKept } from "../../../server/subjects/practice/read-practice.ts";
import { useMember } from "../../desk/member.ts";
import { dayOf } from "../../ui/dates.ts";
import { moneyOf } from "../../ui/money.ts";
import { VerdictShape } from "../../ui/VerdictMark.tsx";
import { verdictOfRound } from "./act-words.ts";
import { FigureTable } from "./FigureTable.tsx";

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
    // What is given up costs little: it is no cheaper way.
    const beside = here.flatMap(({ cents, plannerCents, ended }) =>
      plannerCents === null || ended === "given-up" ? [] : [{ cents, plannerCents }],
    );
    const own = beside.reduce((sum, { cents }) => sum + cents, 0);
    const planner = beside.reduce((sum, { plannerCents }) => sum + plannerCents, 0);
    const right = here.filter(({ isRight }) => isRight).length;
    const times = planner > 0 ? (own / planner).toFixed(1) : "–";
    return [{ name, figures: [here.length, right, times] }];
  });
  return <FigureTable of="Level" columns={["Rounds", "Right at once", "Cost, planner's = 1"]} rows={rows} />;
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
      {rounds.length >= MOST_ROUNDS && <p className="text-ink-2">The last {MOST_ROUNDS}.</p>}
      <Levels rounds={rounds} />
      <details>
        <summary className="min-h-12 py-3 font-bold">One by one</summary>
        <ul>
          {rounds.map(
            ({ id, at, carKey, faults, isRight, ended, cents, plannerCents, hasBoiled, openedHot }) => (
              <li key={id} className="flex flex-wrap items-baseline gap-x-4 border-rule border-b py-1.5">
                <span className="self-center">
                  <VerdictShape verdict={verdictOfRound(isRight, ended)} />
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
            ),
          )}
        </ul>
      </details>
    </section>
  );
}
