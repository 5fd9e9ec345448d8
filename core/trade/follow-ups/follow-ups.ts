import { addDays, isDay } from "../../kernel/days/index.ts";
import type { DrivingPattern } from "./driving-pattern.ts";
import type { Call, FollowUpRule } from "./rules.ts";

/** What the rules ask of a job that is signed. */
export interface SignedWork {
  /** The day of the signature in the shop's own time, such as 2031-03-06. */
  signedOn: string;
  /** What the vehicle had run then, km. */
  distanceKm?: number;
  calls: readonly Call[];
}

export interface FollowUp {
  rule: string;
  words: string;
  /** The day by which it is looked at, and the distance where that comes first it is. */
  on: string;
  byKm?: number;
  because: string;
}

const MOST_DAYS = 730;
const MOST_KM = 100_000;

const days = (count: number) =>
  count === 0 ? "the same day" : count === 1 ? "in a day" : `in ${count} days`;

/** After how many days a distance is likely reached; nothing where nobody knows how it is driven. */
function daysToKm(km: number | undefined, driving: DrivingPattern | undefined): number | undefined {
  const rate = driving?.kmPerDay ?? 0;
  return km === undefined || rate <= 0 ? undefined : Math.max(1, Math.floor(km / rate));
}

function followUp(
  { signedOn, distanceKm }: SignedWork,
  rule: FollowUpRule,
  driving?: DrivingPattern,
): FollowUp {
  const { id, words, days: most, km } = rule;
  if (!Number.isInteger(most) || most < 0 || most > MOST_DAYS)
    throw new RangeError(`days ${most} of ${id} are outside 0 to ${MOST_DAYS}`);
  if (km !== undefined && !(km > 0 && km <= MOST_KM))
    throw new RangeError(`km ${km} of ${id} are outside 0 to ${MOST_KM}`);
  const byRoad = daysToKm(km, driving);
  const isByRoad = byRoad !== undefined && byRoad < most;
  const on = addDays(signedOn, isByRoad ? byRoad : most);
  const byKm = km !== undefined && distanceKm !== undefined ? Math.round(distanceKm + km) : undefined;
  const road =
    km === undefined
      ? ""
      : byRoad === undefined
        ? ` or after ${km} km, whichever is first`
        : `, or after ${km} km, at some ${Math.round(driving?.kmPerDay ?? 0)} km a day ${days(byRoad)}: ${
            isByRoad ? "that comes first" : "the date comes first"
          }`;
  return {
    rule: id,
    words,
    on,
    ...(byKm === undefined ? {} : { byKm }),
    because: `${days(most)}${road}`,
  };
}

/**
 * What is looked at again after a job, and by when: each of the shop's rules that the work calls for, by its date or by the
 * day on which its distance is likely reached, whichever is first; soonest first. `driving` as `drivingPattern` has it, left out
 * where nobody knows: then the date alone counts, and the distance is told beside it.
 * @throws RangeError for a day that is none, days outside 0 to 730 or kilometres outside 0 to 100 000
 */
export function followUps(
  work: SignedWork,
  rules: readonly FollowUpRule[],
  driving?: DrivingPattern,
): FollowUp[] {
  if (!isDay(work.signedOn)) throw new RangeError(`signedOn ${JSON.stringify(work.signedOn)} is no day`);
  return rules
    .filter(({ after }) => after === "any" || work.calls.includes(after))
    .map((rule) => followUp(work, rule, driving))
    .sort((a, b) => (a.on < b.on ? -1 : a.on > b.on ? 1 : 0));
}
