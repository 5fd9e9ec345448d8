import { useState } from "react";
import { readHealth } from "../../../core/book/acts/index.ts";
import { inShownTemperatures } from "../../../core/kernel/units/index.ts";
import { bookedWords, type HealthLine, healthLines, toldFigures } from "../../../core/trade/health/index.ts";
import type { LogOfVehicle, VehicleHealth } from "../../../server/subjects/vehicles/read-health.ts";
import { useMember } from "../../desk/member.ts";
import { Button } from "../../ui/Button.tsx";
import { dateOf } from "../../ui/dates.ts";
import { Choice } from "../../ui/Field.tsx";
import { VerdictShape } from "../../ui/VerdictMark.tsx";
import { HealthYears } from "../../vehicle/health/HealthYears.tsx";
import type { ReadHealth } from "../../workers/read-health.ts";
import { useJob } from "../stage/context.ts";
import { RedrawnCurve } from "./RedrawnCurve.tsx";
import { askHealth, useFit } from "./useFit.ts";
import { givenLog, goodFor, useVehicleLogs } from "./vehicle-logs.ts";
import { Working } from "./Working.tsx";

type Read = Extract<ReadHealth, { fit: unknown }> & { of: Pair };
interface Pair {
  log: LogOfVehicle;
  good: LogOfVehicle;
}

/** How healthy radiator, fan, thermostat and sensor are, as a log tells it: held against a good log of the same car. */
export function Health() {
  const { page, timeZone } = useJob();
  const { of } = useVehicleLogs();
  const own = (of?.logs ?? []).filter(({ jobId }) => jobId === page.job.id);
  return (
    <section aria-labelledby="health" className="flex flex-col gap-4">
      <h3 id="health" className="text-xl">
        What the log says of its health
      </h3>
      {!page.card ? (
        <p>This vehicle has no cooling card: nobody knows what car to redraw the log by.</p>
      ) : !of ? (
        <p role="status">Its logs are being looked up.</p>
      ) : own.length === 0 ? (
        <p>
          No log is booked in this job yet. Book a warm-up of a cold engine, best until its fan has run twice.
        </p>
      ) : (
        <Held own={own} of={of} />
      )}
      {of && <HealthYears of={of} timeZone={timeZone} />}
    </section>
  );
}

function Held({ own, of }: { own: readonly LogOfVehicle[]; of: VehicleHealth }) {
  const { page, timeZone } = useJob();
  const { altitudeM } = useMember();
  const { card } = page;
  const { fitting, begin, leave } = useFit<Read | { trouble: string }>();
  const [chosen, setChosen] = useState<{ log?: string; good?: string }>({});
  const log = own.find(({ logId }) => logId === chosen.log) ?? (own.at(-1) as LogOfVehicle);
  const others = of.logs.filter(({ logId }) => logId !== log.logId);
  const good = others.find(({ logId }) => logId === chosen.good) ?? goodFor(log, of);
  const named = (each: LogOfVehicle) => `${dateOf(each.at, timeZone)}, ${each.log}, job ${each.number}`;
  if (!good || !card)
    return (
      <p>
        No earlier log of this car shows thermostat and fan doing what its card says. The first that does is
        what later ones are held against.
      </p>
    );
  const options = (logs: readonly LogOfVehicle[]) =>
    logs.map((each) => (
      <option key={each.logId} value={each.logId}>
        {named(each)}
      </option>
    ));
  const read = () =>
    begin(async (ask, hear) => {
      const [given, goodGiven] = await Promise.all([givenLog(log), givenLog(good)]);
      if (!given || !goodGiven)
        return { trouble: "One of the logs could not be fetched. Try again when the server answers." };
      const result = await askHealth(ask, hear, card, goodGiven, given, altitudeM ?? 0);
      return "trouble" in result ? result : { ...result, of: { log, good } };
    });
  const result = fitting.state === "done" ? fitting.result : undefined;
  const trouble =
    fitting.state === "broken" ? fitting.message : result && "trouble" in result && result.trouble;
  return (
    <>
      <div className="flex flex-wrap gap-4">
        <Choice
          label="This log"
          value={log.logId}
          onChange={(event) => setChosen({ ...chosen, log: event.target.value })}
        >
          {options(own)}
        </Choice>
        <Choice
          label="Held against the good log of"
          value={good.logId}
          onChange={(event) => setChosen({ ...chosen, good: event.target.value })}
        >
          {options(others.filter((each) => each.isSound || each.logId === good.logId))}
        </Choice>
      </div>
      {good.at < (of.radiatorAt ?? "") && log.at >= (of.radiatorAt ?? "") && (
        <p>
          That log was of the radiator before: this one was fitted on {dateOf(of.radiatorAt ?? "", timeZone)}.
        </p>
      )}
      <Working
        label="Read its health"
        words="The log is being redrawn"
        fitting={fitting}
        onBegin={() => void read()}
        onLeave={leave}
      />
      <div role="status" className="contents">
        {trouble && <p className="border-ink border-l-4 pl-3 font-bold">{trouble}</p>}
        {result && "fit" in result && <p className="sr-only">The log is read.</p>}
      </div>
      {result && "fit" in result && <Said read={result} />}
    </>
  );
}

const verdictOf = ({ isTold, isOff }: HealthLine) => (!isTold ? "not-seen" : isOff ? "fail" : "pass");

/** What was read, a line a figure, over the curve that redraws the log; booked by one tap. */
function Said({ read }: { read: Read }) {
  const { page, system, timeZone, book, mayBook } = useJob();
  const { fit, of, points, leastShare } = read;
  const { card } = page;
  const then = `its log of ${dateOf(of.good.at, timeZone)}`;
  const lines = healthLines(fit, then, {
    opensC: card?.thermostatOpensC ?? null,
    ...(card?.fanOnC[0] !== undefined && { onC: card.fanOnC[0], offC: card.fanOffC[0] ?? null }),
  });
  const told = lines.filter(({ isTold }) => isTold);
  return (
    <div className="flex flex-col gap-4">
      <ul aria-label="What it says" className="border-ink border-t-2">
        {lines.map((line) => (
          <li key={line.of} className="flex gap-3 border-rule border-b py-2">
            <span className="pt-0.5">
              <VerdictShape verdict={verdictOf(line)} />
            </span>
            <span className={line.isOff ? "font-bold" : line.isTold ? "" : "text-ink-2"}>
              {inShownTemperatures(line.words, system)}
            </span>
          </li>
        ))}
      </ul>
      <RedrawnCurve
        points={points}
        drawn={[fit]}
        system={system}
        told={`The log, and what such a car would have shown. ${told.map((line) => line.words).join(" ")}`}
      />
      <p className="text-ink-2">
        Redrawn to {fit.apartC.toFixed(1)} °C. Read for a car that stands in a bay with its heater off; wind
        or a heater would be taken for the radiator.
      </p>
      {told.length > 0 && (
        <Button
          className="self-start"
          disabled={!mayBook}
          onClick={() =>
            book(
              readHealth(bookedWords(lines), {
                logId: of.log.logId,
                againstLogId: of.good.logId,
                againstDay: of.good.at.slice(0, 10),
                figures: toldFigures(fit),
                apartC: fit.apartC,
                ...(leastShare !== undefined && { leastShare }),
              }),
            )
          }
        >
          Book what it says
        </Button>
      )}
    </div>
  );
}
