import { testedOwn } from "../../../../core/book/acts/index.ts";
import { format, inShownTemperatures, type System } from "../../../../core/kernel/units/index.ts";
import type { Verdict } from "../../../../core/kernel/verdict/index.ts";
import type { DayOutcome, Span, WhatIf } from "../../../../core/trade/health/index.ts";
import { useMember } from "../../../desk/member.ts";
import { Button } from "../../../ui/Button.tsx";
import { dateOf } from "../../../ui/dates.ts";
import { VerdictShape } from "../../../ui/VerdictMark.tsx";
import type { RanDays } from "../../../workers/read-health.ts";
import { askDays, useFit } from "../../health/useFit.ts";
import { givenLog, useVehicleLogs } from "../../health/vehicle-logs.ts";
import { Working } from "../../health/Working.tsx";
import { useJob } from "../../stage/context.ts";

type Ran = RanDays & { change: WhatIf };

const percent = ({ low, high }: Span) => {
  const [from, to] = [low, high].map((share) => Math.round(100 * share));
  return from === to ? `${from} %` : `${from} to ${to} %`;
};

/** What would be otherwise, for the line of the book: an answer without its question is none. */
function changeWords({ standing, onRoad, opensC, fanOnC, fraction, capGaugeKPa }: WhatIf): string {
  const said = [
    standing && `another unit, ${percent(standing)} of today's heat standing still`,
    onRoad && `${percent(onRoad)} on the road`,
    opensC !== undefined && `thermostat ${opensC} °C`,
    fanOnC !== undefined && `fan from ${fanOnC} °C`,
    fraction !== undefined && `strength ${Math.round(100 * fraction)} %`,
    capGaugeKPa !== undefined && `cap ${capGaugeKPa} kPa`,
  ].filter((words) => typeof words === "string");
  return said.length > 0 ? said.join(", ") : "as it is";
}

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
  const { altitudeM } = useMember();
  const { of, isComing } = useVehicleLogs();
  const { fitting, begin, leave } = useFit<Ran | { trouble: string }>();
  const { card } = page;
  if (!card) return <p>This vehicle has no cooling card: nobody knows what car to run.</p>;
  // As it is today: its newest good log, of the radiator that is in it.
  const good = of?.logs.findLast(({ isSound, at }) => isSound && at >= (of.radiatorAt ?? ""));
  const run = () =>
    begin(async (ask, hear) => {
      // Without its log it is run by its card: wider, and said so.
      const given = good && (await givenLog(good));
      return { ...(await askDays(ask, hear, card, given, change, altitudeM ?? 0)), change };
    });
  const result = fitting.state === "done" ? fitting.result : undefined;
  const ran = result && "days" in result ? result : undefined;
  const said = trouble ?? (fitting.state === "broken" ? fitting.message : undefined);
  const isStale = ran && JSON.stringify(ran.change) !== JSON.stringify(change);
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
        isOff={trouble !== undefined || isComing}
        onBegin={() => void run()}
        onLeave={leave}
      />
      <div role="status" className="contents">
        {said && <p className="border-ink border-l-4 pl-3 font-bold">{said}</p>}
        {ran && <p className="sr-only">The worst days are run.</p>}
      </div>
      {ran && worst && (
        <>
          {isStale && <p className="font-bold">Something was changed since: run them again.</p>}
          <ul aria-label="The worst days" className="border-ink border-t-2">
            {ran.days.map((day) => (
              <Day key={day.day} of={day} system={system} />
            ))}
          </ul>
          <p className="text-ink-2">
            {ran.isOwn && good
              ? `The car as its log of ${dateOf(good.at, timeZone)} shows it.`
              : "The car by its card alone: no good log of it was at hand, so that little is known."}{" "}
            A model and no promise: what is fitted has to be proven on the road.
          </p>
          <Button
            className="self-start"
            disabled={!mayBook || isStale}
            onClick={() =>
              book(
                testedOwn(
                  "worst days",
                  worst.verdict,
                  `${changeWords(ran.change)}: ${worst.day}: ${worst.because}`,
                ),
              )
            }
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
