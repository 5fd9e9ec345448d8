import { useEffect } from "react";
import { useFetcher } from "react-router";
import { testedOwn } from "../../../../core/book/acts/index.ts";
import { format, inShownTemperatures, type System } from "../../../../core/kernel/units/index.ts";
import type { Verdict } from "../../../../core/kernel/verdict/index.ts";
import type { DayOutcome, Span, WhatIf } from "../../../../core/trade/health/index.ts";
import type { VehicleHealth } from "../../../../server/subjects/vehicles/read-health.ts";
import { Button } from "../../../ui/Button.tsx";
import { dateOf } from "../../../ui/dates.ts";
import { VerdictShape } from "../../../ui/VerdictMark.tsx";
import type { RanDays } from "../../../workers/read-health.ts";
import { askDays, useFit } from "../../health/useFit.ts";
import { Working } from "../../health/Working.tsx";
import { logText } from "../../prove/log-text.ts";
import { useJob } from "../../stage/context.ts";

type Ran = RanDays & { change: string };

const span = ({ low, high }: Span, words: (value: number) => string) => {
  const [from, to] = [words(low), words(high)];
  // The unit once, behind the last.
  return from === to ? from : `${from.replace(/\s\S+$/, "")} to ${to}`;
};
const hours = (value: number) => `${(Math.round(value * 10) / 10).toFixed(1)} h`;
const ORDER: readonly Verdict[] = ["fail", "not-seen", "pass"];

/** The car as it is and as it would be, on the days that this shop has to hold. */
export function WorstDays({ change, trouble }: { change: WhatIf; trouble: string | undefined }) {
  const { page, system, timeZone, book, mayBook } = useJob();
  const { load, data } = useFetcher<VehicleHealth>();
  const { fitting, begin, leave } = useFit<Ran | { trouble: string }>();
  const jobId = page.job.id;
  useEffect(() => void load(`/jobs/${jobId}/health`), [load, jobId]);
  const { card } = page;
  if (!card) return <p>This vehicle has no cooling card: nobody knows what car to run.</p>;
  const good = data?.logs.findLast(({ isSound }) => isSound);
  const asked = JSON.stringify(change);
  const run = () =>
    begin(async (ask, hear) => {
      const text = good && (await logText(good.jobId, good.logId));
      // Without its log it is run by its card: wider, and said so.
      const log =
        text === undefined || !good
          ? undefined
          : { text, ...(good.restedH !== undefined && { restedH: good.restedH }) };
      return { ...(await askDays(ask, hear, card, log, change)), change: asked };
    });
  const result = fitting.state === "done" ? fitting.result : undefined;
  const ran = result && "days" in result ? result : undefined;
  const said = trouble ?? (fitting.state === "broken" ? fitting.message : undefined);
  const worst = ran && [...ran.days].sort((a, b) => ORDER.indexOf(a.verdict) - ORDER.indexOf(b.verdict))[0];
  return (
    <section aria-labelledby="worst-days" className="flex flex-col gap-3">
      <h4 id="worst-days" className="font-bold text-lg">
        On the worst days
      </h4>
      <Working
        label="Run the worst days"
        words="The worst days are being run"
        fitting={fitting}
        isOff={trouble !== undefined}
        onBegin={() => void run()}
        onLeave={leave}
      />
      <div role="status" className="contents">
        {said && <p className="border-ink border-l-4 pl-3 font-bold">{said}</p>}
        {ran && <p className="sr-only">The worst days are run.</p>}
      </div>
      {ran && worst && (
        <>
          {ran.change !== asked && <p className="font-bold">Something was changed since: run them again.</p>}
          <ul aria-label="The worst days" className="border-ink border-t-2">
            {ran.days.map((day) => (
              <Day key={day.day} of={day} system={system} />
            ))}
          </ul>
          <p className="text-ink-2">
            {ran.isOwn && good
              ? `The car as its log of ${dateOf(good.at, timeZone)} shows it.`
              : "The car by its card alone, so that little is known: a good warm-up log of it would tell more."}{" "}
            A model and no promise: what is fitted has to be proven on the road.
          </p>
          <Button
            className="self-start"
            disabled={!mayBook || ran.change !== asked}
            onClick={() => book(testedOwn("worst days", worst.verdict, `${worst.day}: ${worst.because}`))}
          >
            Book this answer
          </Button>
        </>
      )}
    </section>
  );
}

function Day({ of: { day, today, changed, verdict, because }, system }: { of: DayOutcome; system: System }) {
  const celsius = (value: number) =>
    format(Math.round(value), "temperature", system, 0).replace(/ \(.*\)$/, "");
  // A margin is a difference: it has no nought of the scale's own.
  const degrees = (value: number) =>
    system === "metric" ? `${Math.round(value)} °C` : `${Math.round(value * 1.8)} °F`;
  const row = (name: string, { peakC, marginC, fanH }: DayOutcome["today"]) => (
    <tr>
      <th scope="row" className="pr-4 text-left font-normal text-ink-2">
        {name}
      </th>
      <td className="figure pr-4">{span(peakC, celsius)}</td>
      <td className="figure pr-4">{span(marginC, degrees)}</td>
      <td className="figure">{span(fanH, hours)}</td>
    </tr>
  );
  return (
    <li className="flex gap-3 border-rule border-b py-3">
      <span className="pt-0.5">
        <VerdictShape verdict={verdict} />
      </span>
      <div className="min-w-0 flex-1 overflow-x-auto">
        <p>
          <b>{day.charAt(0).toUpperCase() + day.slice(1)}.</b> {inShownTemperatures(because, system)}
        </p>
        <table className="mt-1">
          <thead>
            <tr className="text-left text-ink-2 text-sm">
              <td />
              <th scope="col" className="pr-4 font-normal">
                hottest
              </th>
              <th scope="col" className="pr-4 font-normal">
                below boiling
              </th>
              <th scope="col" className="font-normal">
                fan runs
              </th>
            </tr>
          </thead>
          <tbody>
            {row("as it is", today)}
            {row("so", changed)}
          </tbody>
        </table>
      </div>
    </li>
  );
}
