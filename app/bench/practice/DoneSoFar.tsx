import type { Account, Done } from "../../../core/trade/practice/index.ts";
import { useMember } from "../../desk/member.ts";
import { moneyOf } from "../../ui/money.ts";
import { VerdictShape } from "../../ui/VerdictMark.tsx";
import { actWords, cameWords, momentWords, verdictOf } from "./act-words.ts";

/** Acts in the order in which they were done, with what came of each. */
export function ActList({ done, isNewestFirst = false }: { done: readonly Done[]; isNewestFirst?: boolean }) {
  const { units } = useMember();
  const rows = done.map((each, place) => ({ each, place }));
  return (
    <ol className="flex flex-col">
      {(isNewestFirst ? rows.reverse() : rows).map(({ each, place }) => {
        const verdict = verdictOf(each);
        return (
          <li key={place} className="flex gap-2 border-rule border-b py-1.5">
            <span className="figure w-12 shrink-0 text-right text-ink-2 text-sm">
              {momentWords(each.minute)}
            </span>
            <span className="w-5 shrink-0 pt-0.5">{verdict && <VerdictShape verdict={verdict} />}</span>
            <span className="min-w-0">
              {actWords(each.act)}
              {cameWords(each, units) && <b className="block">{cameWords(each, units)}</b>}
            </span>
          </li>
        );
      })}
    </ol>
  );
}

/** What was done so far, newest on top, and what it comes to. */
export function DoneSoFar({
  done,
  account,
  minute,
}: {
  done: readonly Done[];
  account: Account;
  minute: number;
}) {
  const { currency } = useMember();
  return (
    <section aria-labelledby="done-so-far">
      <h2 id="done-so-far" className="flex justify-between gap-3 text-2xl">
        <span>Done</span>
        <span className="figure text-lg">{moneyOf(account.cents(), currency)}</span>
      </h2>
      <p className="text-ink-2">
        <span className="figure">{Math.round(account.workMinutes)} min</span> of work in{" "}
        <span className="figure">{momentWords(minute)} h</span>
        {account.nights > 0 && `, ${account.nights} ${account.nights === 1 ? "night" : "nights"}`}
      </p>
      {done.length === 0 ? (
        <p>Nothing yet.</p>
      ) : (
        <div className="max-h-96 overflow-y-auto">
          <ActList done={done} isNewestFirst />
        </div>
      )}
    </section>
  );
}
