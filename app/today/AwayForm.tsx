import { useState } from "react";
import { v4 as newId } from "uuid";
import { momentInZone } from "../../core/kernel/days/index.ts";
import type { TodayRead } from "../../server/books/day/read-today.ts";
import { useMember } from "../desk/member.ts";
import { Button } from "../ui/Button.tsx";
import { clockOf, whenOf } from "../ui/dates.ts";
import { TextField } from "../ui/Field.tsx";
import { OwnPop } from "../ui/Pop.tsx";
import type { useArranging } from "./useDay.ts";

type AwayNote = TodayRead["away"][number];

/** The name at the head of a lane: opened it says from when to when they aren't here, or the lift can't be used. */
export function AwayForm({
  name,
  who,
  today,
  arranging,
}: {
  name: string;
  who: { personId: string } | { lift: number };
  today: TodayRead;
  arranging: ReturnType<typeof useArranging>;
}) {
  const { timeZone } = useMember();
  const { laid, away, now } = today;
  const own = away.filter((note) =>
    "lift" in who ? note.lift === who.lift : note.personId === who.personId,
  );
  const isOut = (note: AwayNote) => Date.parse(note.from) <= now && now < Date.parse(note.until);
  const here = own.find(isOut);
  const isLift = "lift" in who;
  return (
    <OwnPop
      trigger={{
        className:
          "flex min-h-12 w-full flex-col items-start justify-center rounded-md px-2 text-left leading-tight hover:bg-wash",
        children: (
          <>
            <span className="font-bold underline decoration-rule underline-offset-4">{name}</span>
            {own.length > 0 && (
              <span className="text-ink-2 text-sm">
                {here
                  ? `${isLift ? "out of use" : "away"} until ${whenOf(here.until, timeZone, now)}`
                  : `${isLift ? "out of use" : "away"} from ${whenOf(own[0]?.from ?? "", timeZone, now)}`}
              </span>
            )}
          </>
        ),
      }}
      label={isLift ? `${name}: out of use` : `${name}: away`}
      side="bottom"
      align="start"
      className="z-50 flex w-96 max-w-[94vw] flex-col gap-3 rounded-md border-2 border-ink bg-sheet p-4"
    >
      <Noted own={own} isLift={isLift} timeZone={timeZone} now={now} arranging={arranging} />
      <NewAway
        who={who}
        day={laid.day}
        now={now}
        opensAt={laid.opensAt}
        closesAt={laid.closesAt}
        arranging={arranging}
      />
    </OwnPop>
  );
}

function Noted({
  own,
  isLift,
  timeZone,
  now,
  arranging,
}: {
  own: readonly AwayNote[];
  isLift: boolean;
  timeZone: string;
  now: number;
  arranging: ReturnType<typeof useArranging>;
}) {
  return (
    <>
      {own.map(({ id, from, until }) => (
        <p key={id} className="flex flex-wrap items-center justify-between gap-2 border-rule border-b pb-2">
          <span>
            {isLift ? "Out of use" : "Away"} {whenOf(from, timeZone, now)} to {whenOf(until, timeZone, now)}
          </span>
          <Button
            className="px-3"
            disabled={arranging.isBusy}
            onClick={() => arranging.send({ what: "back", id })}
          >
            {isLift ? "It goes again" : "Here after all"}
          </Button>
        </p>
      ))}
    </>
  );
}

function NewAway({
  who,
  day,
  now,
  opensAt,
  closesAt,
  arranging,
}: {
  who: { personId: string } | { lift: number };
  day: string;
  now: number;
  opensAt: string;
  closesAt: string;
  arranging: ReturnType<typeof useArranging>;
}) {
  const { timeZone } = useMember();
  const [from, setFrom] = useState(() =>
    clockOf(new Date(Math.max(now, Date.parse(opensAt))).toISOString(), timeZone),
  );
  const [until, setUntil] = useState(() => clockOf(closesAt, timeZone));
  const at = (clock: string) => momentInZone(`${day} ${clock}`, timeZone);
  const trouble = from && until && at(until) > at(from) ? undefined : "Later than it begins.";
  const [isTold, setTold] = useState(false);
  return (
    <form
      className="flex flex-wrap items-end gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        if (trouble) return setTold(true);
        arranging.send({
          what: "away",
          id: newId(),
          ...who,
          from: new Date(at(from)).toISOString(),
          until: new Date(at(until)).toISOString(),
        });
      }}
    >
      <div className="w-32">
        <TextField
          label="From"
          type="time"
          className="figure"
          required
          value={from}
          onChange={({ target }) => setFrom(target.value)}
        />
      </div>
      <div className="w-32">
        <TextField
          label="Until"
          type="time"
          className="figure"
          required
          value={until}
          error={isTold ? trouble : undefined}
          onChange={({ target }) => setUntil(target.value)}
        />
      </div>
      <Button type="submit" disabled={arranging.isBusy} className="px-4">
        {"lift" in who ? "Out of use" : "Away"}
      </Button>
    </form>
  );
}
