import { useState } from "react";
import { Link } from "react-router";
import { v4 as newId } from "uuid";
import { dayInZone, momentInZone } from "../../core/kernel/days/index.ts";
import type { TodayRead } from "../../server/books/day/read-today.ts";
import { useMember } from "../desk/member.ts";
import { Button } from "../ui/Button.tsx";
import { clockOf, dayOf } from "../ui/dates.ts";
import { TextField } from "../ui/Field.tsx";
import { OwnPop } from "../ui/Pop.tsx";
import type { DayCar, useArranging } from "./useDay.ts";

const FIVE_MS = 5 * 60_000;
const QUARTER_MS = 15 * 60_000;

/** When each car is ready, what its owner was told, and what of it doesn't get done today, with why. */
export function Readies({
  today,
  cars,
  arranging,
}: {
  today: TodayRead;
  cars: ReadonlyMap<string, DayCar>;
  arranging: ReturnType<typeof useArranging>;
}) {
  const { timeZone } = useMember();
  const { laid } = today;
  const isToday = (iso: string) => dayOf(iso, timeZone) === dayOf(laid.opensAt, timeZone);
  const when = (iso: string) =>
    isToday(iso) ? clockOf(iso, timeZone) : `${dayOf(iso, timeZone)}, ${clockOf(iso, timeZone)}`;
  /** To the nearest five minutes: nobody knows it better. */
  const rangeWords = (from: string, to: string) => {
    const [first, last] = [from, to].map((iso) =>
      new Date(Math.round(Date.parse(iso) / FIVE_MS) * FIVE_MS).toISOString(),
    );
    if (!first || !last || first === last) return when(from);
    return dayOf(first, timeZone) === dayOf(last, timeZone)
      ? `${when(first)} to ${clockOf(last, timeZone)}`
      : `${when(first)}, to ${when(last)}`;
  };
  const jobs = laid.ready.filter(({ jobId }) => cars.get(jobId)?.pieces.has("look") === false);
  return (
    <section aria-labelledby="ready-when">
      <h2 id="ready-when" className="mb-1 text-xl">
        When is it ready?
      </h2>
      <ul className="border-ink border-t-2">
        {jobs.map(({ jobId, at, from, to, promisedAt, late, isOpenEnded }) => {
          const car = cars.get(jobId);
          const left = laid.notToday.find((each) => each.jobId === jobId);
          if (!car) return null;
          return (
            <li
              key={jobId}
              className="grid grid-cols-[6rem_minmax(0,1fr)_auto] items-baseline gap-x-4 border-rule border-b py-1"
            >
              <Link
                to={`/jobs/${jobId}`}
                className="figure flex min-h-12 items-center font-bold underline underline-offset-4"
              >
                {car.plate}
              </Link>
              <p>
                <b>{!at || isOpenEnded ? "Nobody can say yet" : rangeWords(from ?? at, to ?? at)}</b>
                {at && isOpenEnded && `: it isn't found before ${when(at)}`}
                {promisedAt && `, told ${when(promisedAt)}`}
                {late && (
                  <>
                    , <b>{late.minutes} min late</b>: {late.because}
                  </>
                )}
                {left && (
                  <span className="block text-ink-2">
                    {left.what}: {left.because}
                  </span>
                )}
              </p>
              <Told
                jobId={jobId}
                plate={car.plate}
                at={promisedAt ?? to ?? at}
                day={laid.day}
                arranging={arranging}
              />
            </li>
          );
        })}
      </ul>
    </section>
  );
}

/** What the owner is told: by default what the day says, up to the next quarter of an hour. */
function Told({
  jobId,
  plate,
  at,
  day,
  arranging,
}: {
  jobId: string;
  plate: string;
  at: string | undefined;
  day: string;
  arranging: ReturnType<typeof useArranging>;
}) {
  const { timeZone } = useMember();
  const rounded = at && new Date(Math.ceil(Date.parse(at) / QUARTER_MS) * QUARTER_MS);
  // Only what was typed is kept: the day's own word on it moves on meanwhile.
  const [typed, setTyped] = useState<{ on?: string; clock?: string }>({});
  const on = typed.on ?? (rounded ? dayInZone(rounded, timeZone) : day);
  const clock = typed.clock ?? (rounded ? clockOf(rounded.toISOString(), timeZone) : "");
  const [isTold, setTold] = useState(false);
  const moment = clock && on ? momentInZone(`${on} ${clock}`, timeZone) : Number.NaN;
  return (
    <OwnPop
      trigger={{
        className: "min-h-12 rounded-md border border-edge bg-sheet px-3 text-sm hover:bg-wash",
        "aria-label": `${plate}: tell the owner`,
        children: "Tell the owner",
      }}
      label={`${plate}: what the owner was told`}
      side="bottom"
      align="end"
      className="z-50 w-96 max-w-[94vw] rounded-md border-2 border-ink bg-sheet p-4"
    >
      <form
        className="flex flex-wrap items-end gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          if (Number.isNaN(moment)) return setTold(true);
          const iso = new Date(moment).toISOString();
          arranging.send({
            what: "promise",
            id: newId(),
            jobId,
            at: iso,
          });
          setTyped({});
        }}
      >
        <div className="w-44">
          <TextField
            label="Told: ready by"
            type="date"
            className="figure"
            required
            value={on}
            onChange={({ target }) => setTyped({ ...typed, on: target.value })}
          />
        </div>
        <div className="w-32">
          <TextField
            label="At"
            type="time"
            className="figure"
            required
            value={clock}
            error={isTold && Number.isNaN(moment) ? "A day and a time." : undefined}
            onChange={({ target }) => setTyped({ ...typed, clock: target.value })}
          />
        </div>
        <Button type="submit" disabled={arranging.isBusy}>
          Book it
        </Button>
      </form>
    </OwnPop>
  );
}
