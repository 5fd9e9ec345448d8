import { format, inShownUnits, parseQuantity, SHOWN, type System } from "../../../core/kernel/units/index.ts";
import {
  countedLevels,
  lossRate,
  type Rate,
  reaches,
  type SeenLevel,
} from "../../../core/trade/leaks/index.ts";
import { dateOf } from "../../ui/dates.ts";
import { VerdictShape } from "../../ui/VerdictMark.tsx";

const DAYS_A_WEEK = 7;
const MARK = { drive: "pass", "top up and watch": "not-seen", "don't drive": "fail" } as const;
const SAID = {
  drive: "Drive on",
  "top up and watch": "Top up and look every week",
  "don't drive": "Don't drive it",
} as const;

const perWeek = ({ low, likely, high }: Rate, system: System) => {
  const litres = (perDay: number) => format(perDay * DAYS_A_WEEK, "volume", system);
  return `${litres(likely)} a week, from ${litres(low)} to ${litres(high)}`;
};

/** By the distance that the shop counts in: so much in 100 km, or in 100 miles. */
function inHundred(per100KmL: number, system: System): string {
  const { key, label } = SHOWN.distance[system];
  const { value: km } = parseQuantity(`100 ${key}`);
  return `${format((per100KmL * km) / 100, "volume", system)} in 100 ${label}`;
}

/** What a vehicle's levels say: how fast, until when, and what to do; each with its reason. */
export function LevelAdvice({
  levels,
  minimumL,
  system,
  timeZone,
}: {
  levels: readonly SeenLevel[];
  minimumL: number;
  system: System;
  timeZone: string;
}) {
  const counted = countedLevels(levels);
  if (counted.length === 0)
    return <p className="text-ink-2">No cold level was taken since it was last filled.</p>;
  const rate = lossRate(counted);
  const { earliest, latest, advice, because } = reaches(counted, minimumL, { now: new Date().toISOString() });
  const day = (iso: string) => dateOf(iso, timeZone);
  return (
    <div className="flex flex-col gap-1">
      <p className="flex items-center gap-2 font-bold">
        <VerdictShape verdict={MARK[advice]} /> {SAID[advice]}
      </p>
      <p>{inShownUnits(because, system)}</p>
      {Number.isFinite(rate.perDayL.high) && (
        <p className="text-ink-2">
          {rate.verdict === "fail" ? "Loses" : "May lose"} {perWeek(rate.perDayL, system)}
          {rate.per100KmL && `; ${inHundred(rate.per100KmL.likely, system)}`}.{" "}
          {inShownUnits(rate.because, system)}
        </p>
      )}
      {earliest && (
        <p className="text-ink-2">
          At its minimum{" "}
          {rate.verdict === "fail" && latest
            ? day(earliest) === day(latest)
              ? `about ${day(earliest)}`
              : `between ${day(earliest)} and ${day(latest)}`
            : `not before ${day(earliest)}, even had a leak begun since the look before the last`}
          .
        </p>
      )}
    </div>
  );
}
