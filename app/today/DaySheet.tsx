import { momentInZone } from "../../core/kernel/days/index.ts";
import type { TodayRead } from "../../server/books/day/read-today.ts";
import { useMember } from "../desk/member.ts";
import { clockOf } from "../ui/dates.ts";
import { AwayForm } from "./AwayForm.tsx";
import { hoursBetween, type Lane, lanesOf, placeOf, type Stay, type Way } from "./lanes.ts";
import { FINGER_PX, LEVEL_PX, type Sheet, StaySlip } from "./StaySlip.tsx";
import type { DayCar, useArranging } from "./useDay.ts";

/** An hour so near to now, by its part of the sheet, gives way to it. */
const NEAR = 0.055;
const HALF_HOUR_MS = 1_800_000;

/** A slip is never narrower; a lane seldom. */
const NARROW_LANE_PX = 640;
/** So much of what has been is shown of a day that is on. */
const BEHIND_MS = 3_600_000;

/** From when to when the sheet is ruled: the shop's hours from an hour ago on, and whatever lies outside them. */
function sheetOf({ laid }: TodayRead, nowMs: number): Sheet {
  const opens = Math.min(Math.max(Date.parse(laid.opensAt), nowMs - BEHIND_MS), Date.parse(laid.closesAt));
  const times = [
    opens,
    Date.parse(laid.closesAt),
    ...laid.slips.flatMap(({ from, until }) => [Math.max(opens, Date.parse(from)), Date.parse(until)]),
  ];
  return {
    from: Math.floor(Math.min(...times) / HALF_HOUR_MS) * HALF_HOUR_MS,
    until: Math.ceil(Math.max(...times) / HALF_HOUR_MS) * HALF_HOUR_MS,
  };
}

/** Full hours as figures on top, every other where the sheet is narrow. */
function Hours({ sheet, timeZone, nowMs }: { sheet: Sheet; timeZone: string; nowMs: number }) {
  const isFree = (hour: number) => Math.abs(hour - nowMs) > NEAR * (sheet.until - sheet.from);
  return (
    <div aria-hidden="true" className="relative ml-32 h-6 border-ink border-b-2">
      {hoursBetween(sheet.from, sheet.until)
        .filter(isFree)
        .map((hour, index) => (
          <span
            key={hour}
            className={`figure absolute bottom-0.5 text-ink-2 text-sm ${hour === sheet.from ? "" : hour === sheet.until ? "-translate-x-full" : "-translate-x-1/2"} ${index % 2 === 1 ? "max-lg:hidden" : ""}`}
            style={{ left: `${placeOf(hour, sheet.from, sheet.until)}%` }}
          >
            {clockOf(new Date(hour).toISOString(), timeZone)}
          </span>
        ))}
    </div>
  );
}

/** What is ruled behind the slips of a lane: hours, breaks, who isn't here. */
function Ruling({ sheet, shut }: { sheet: Sheet; shut: readonly { from: string; until: string }[] }) {
  const span = (from: string, until: string) => {
    const left = placeOf(from, sheet.from, sheet.until);
    return { left: `${left}%`, width: `${placeOf(until, sheet.from, sheet.until) - left}%` };
  };
  return (
    <div aria-hidden="true" className="absolute inset-0">
      {hoursBetween(sheet.from, sheet.until).map((hour) => (
        <span
          key={hour}
          className="absolute inset-y-0 w-px bg-rule"
          style={{ left: `${placeOf(hour, sheet.from, sheet.until)}%` }}
        />
      ))}
      {shut.map(({ from, until }) => (
        <span key={`${from} ${until}`} className="absolute inset-y-0 bg-wash" style={span(from, until)} />
      ))}
    </div>
  );
}

/** So much of a lane, per cent, the words of a wait take. */
const WORDS_IN_LANE = 20;
/** How high a wait is with its words, px. */
const REST_PX = 20;
const levelsOf = (of: readonly { level: number }[]) => 1 + Math.max(0, ...of.map(({ level }) => level));

/** What was done already, as its lines tell it: who was at which car. */
function Done({
  lane,
  way,
  slips,
  sheet,
  cars,
  names,
  nowMs,
}: {
  lane: Lane;
  way: Way;
  slips: TodayRead["slips"];
  sheet: Sheet;
  cars: ReadonlyMap<string, DayCar>;
  names: TodayRead["names"];
  nowMs: number;
}) {
  const own = slips.flatMap(({ id, done }) =>
    done
      .filter(({ by, until }) => (way === "cars" ? id : by) === lane.key && Date.parse(until) > sheet.from)
      .map((each) => ({ ...each, id })),
  );
  return (
    <>
      {own.map(({ id, by, from, until }) => {
        const left = placeOf(from, sheet.from, sheet.until);
        const right = placeOf(Math.min(nowMs, Date.parse(until)), sheet.from, sheet.until);
        return (
          <span
            key={`${id} ${by} ${from}`}
            className="@container absolute top-1 h-14"
            style={{ left: `${left}%`, width: `max(${right - left}%, 16px)` }}
          >
            <span className="figure absolute inset-0 border-edge border-b-2 px-1 text-ink-2 text-sm @max-[3.4rem]:flex @max-[3.4rem]:rotate-180 @max-[3.4rem]:items-center @max-[3.4rem]:justify-end @max-[3.4rem]:border-t-2 @max-[3.4rem]:border-b-0 @max-[3.4rem]:[writing-mode:vertical-rl]">
              <span className="sr-only">done: </span>
              {way === "cars" ? names[by]?.split(" ")[0] : cars.get(id)?.short}
            </span>
          </span>
        );
      })}
    </>
  );
}

/** What passes by itself, as a thin line that ends in its clock. */
function Rests({
  lane,
  sheet,
  cars,
  timeZone,
}: {
  lane: Lane;
  sheet: Sheet;
  cars: ReadonlyMap<string, DayCar>;
  timeZone: string;
}) {
  return (
    <>
      {lane.rests.map(({ key, jobId, from, until, words, level }) => {
        const left = placeOf(from, sheet.from, sheet.until);
        const right = placeOf(until, sheet.from, sheet.until);
        const isBeyond = Date.parse(until) > sheet.until;
        const clock = isBeyond ? "into the night" : clockOf(until, timeZone);
        const car = cars.get(jobId);
        return (
          <span
            key={key}
            role="img"
            aria-label={`${car?.plate}: ${words}, until ${clock}`}
            title={`${car?.plate}: ${words}, until ${clock}`}
            className="pointer-events-none absolute h-4 border-edge border-r-2"
            style={{
              left: `${left}%`,
              width: `${right - left}%`,
              bottom: `${4 + (levelsOf(lane.rests) - 1 - level) * REST_PX}px`,
            }}
          >
            <span className="absolute inset-x-0 top-1/2 h-px bg-edge" />
            <span
              className={`figure absolute whitespace-nowrap bg-paper px-1 text-ink-2 text-xs leading-4 ${right - left > WORDS_IN_LANE || right > 100 - WORDS_IN_LANE ? "right-0.5" : "left-full"}`}
            >
              {car?.short} {clock}
            </span>
          </span>
        );
      })}
    </>
  );
}

/** Where the next that lies on the same level begins, per cent. */
function freeUntil({ stays }: Lane, { level, from }: Stay, sheet: Sheet): number | undefined {
  const next = stays
    .filter((each) => each.level === level && each.from > from)
    .map((each) => placeOf(each.from, sheet.from, sheet.until));
  return next.length > 0 ? Math.min(...next) : undefined;
}

/** The day as a page with its hours ruled on it: a lane a person, a lift or a car; slips of work, thin lines of waiting, now. */
export function DaySheet({
  way,
  today,
  cars,
  people,
  arranging,
  nowMs,
}: {
  way: Way;
  today: TodayRead;
  cars: ReadonlyMap<string, DayCar>;
  people: readonly { id: string; name: string }[];
  arranging: ReturnType<typeof useArranging>;
  nowMs: number;
}) {
  const { timeZone } = useMember();
  const { laid, away, hours } = today;
  const sheet = sheetOf(today, nowMs);
  const lanes = lanesOf(way, laid.slips, {
    people,
    lifts: hours.lifts,
    cars: [...cars].map(([id, { plate }]) => ({ id, name: plate })),
    fingerMs: ((sheet.until - sheet.from) * FINGER_PX) / NARROW_LANE_PX,
    pieceOf: ({ jobId, piece }) => cars.get(jobId)?.pieces.get(piece),
  });
  const isNow = nowMs >= sheet.from && nowMs <= sheet.until;
  const lateOf = (jobId: string) => laid.ready.find((each) => each.jobId === jobId)?.late?.minutes;
  const lastOf = (jobId: string) =>
    laid.slips
      .filter((slip) => slip.jobId === jobId)
      .map(({ until }) => until)
      .sort()
      .at(-1);
  const breaks = hours.breaks.map(({ from, to }) => ({
    from: new Date(momentInZone(`${laid.day} ${from}`, timeZone)).toISOString(),
    until: new Date(momentInZone(`${laid.day} ${to}`, timeZone)).toISOString(),
  }));
  const shutFor = (key: string) => [
    ...(way === "people" ? breaks : []),
    ...away.filter(({ personId, lift }) => (personId ? personId === key : `lift ${lift}` === key)),
  ];
  return (
    <div className="relative">
      <Hours sheet={sheet} timeZone={timeZone} nowMs={nowMs} />
      {lanes.map((lane) => (
        <section key={lane.key} aria-label={`${lane.name}'s day`} className="flex border-edge border-b">
          <h2 className="flex w-32 shrink-0 items-center pr-2 text-base leading-tight">
            {way === "people" && (
              <AwayForm name={lane.name} who={{ personId: lane.key }} today={today} arranging={arranging} />
            )}
            {way === "lifts" && lane.key !== "floor" && (
              <AwayForm
                name={lane.name}
                who={{ lift: Number(lane.key.slice(5)) }}
                today={today}
                arranging={arranging}
              />
            )}
            {(way === "cars" || lane.key === "floor") && (
              <span className={`px-2 ${way === "cars" ? "figure" : ""}`}>{lane.name}</span>
            )}
          </h2>
          <div
            data-lane={lane.key}
            data-person={way === "people" ? lane.key : undefined}
            className="relative min-w-0 flex-1"
            style={{
              height: `${levelsOf(lane.stays) * LEVEL_PX + levelsOf(lane.rests) * REST_PX + 4}px`,
            }}
          >
            <Ruling sheet={sheet} shut={shutFor(lane.key)} />
            <Done
              lane={lane}
              way={way}
              slips={today.slips}
              sheet={sheet}
              cars={cars}
              names={today.names}
              nowMs={nowMs}
            />
            <Rests lane={lane} sheet={sheet} cars={cars} timeZone={timeZone} />
            {lane.stays.map((stay) => {
              const car = cars.get(stay.jobId);
              return car ? (
                <StaySlip
                  key={stay.key}
                  stay={stay}
                  car={car}
                  sheet={sheet}
                  laneId={way === "people" ? lane.key : undefined}
                  today={today}
                  people={people}
                  arranging={arranging}
                  freeUntil={freeUntil(lane, stay, sheet)}
                  late={stay.until === lastOf(stay.jobId) ? lateOf(stay.jobId) : undefined}
                />
              ) : null;
            })}
            {lane.stays.length === 0 && (
              <p className="absolute top-8 left-3 text-ink-2">Nothing is laid here today.</p>
            )}
          </div>
        </section>
      ))}
      {isNow && (
        <div aria-hidden="true" className="pointer-events-none absolute inset-y-0 right-0 left-32">
          <span
            className="absolute top-0 bottom-0 w-0.5 bg-ink"
            style={{ left: `${placeOf(nowMs, sheet.from, sheet.until)}%` }}
          >
            <span className="figure -translate-x-1/2 absolute -top-1 rounded bg-ink px-1.5 text-paper text-sm">
              {clockOf(new Date(nowMs).toISOString(), timeZone)}
            </span>
          </span>
        </div>
      )}
    </div>
  );
}
