import type { DayAct, DayJob } from "./day.ts";
import { REST_SPREAD, type Spread, USUAL_SPREAD } from "./spread.ts";

/** Another car, a telephone, a hand that is called away: every end slips by about so much, however short its work is. */
const BETWEEN_MINUTES = 30;
/** Beyond so many slacks chance changes nothing any more. */
const SURE = 12;

/**
 * By how many minutes the end of this work may well slip, by how far each act's minutes spread: work that is begun late in a row of late
 * ones ends late by all of them.
 */
export function slackOf(
  acts: readonly DayAct[],
  spreadOf: (act: string) => Spread | undefined = () => undefined,
): number {
  const spread = acts.reduce(
    (sum, { id, minutes, restAfter = 0 }) =>
      sum + minutes * (spreadOf(id) ?? USUAL_SPREAD).sigma + restAfter * REST_SPREAD.sigma,
    0,
  );
  return Math.round(spread + BETWEEN_MINUTES);
}

/**
 * The minutes by which a job that is laid to end then is to be expected after its promise, on a day that closes then with so long a night
 * behind it: its end slips by chance (a logistic distribution of its slack), and what slips past the closing ends next morning. Without
 * slack just the minutes by which it is late. Minutes from midnight.
 */
export function expectedLate(
  end: number,
  { promisedAt, slack = 0 }: Pick<DayJob, "promisedAt" | "slack">,
  { closes, night }: { closes: number; night: number },
): number {
  if (promisedAt === undefined) return 0;
  const over = end - promisedAt;
  if (slack === 0) return Math.max(0, over);
  const late = over > SURE * slack ? over : slack * Math.log1p(Math.exp(over / slack));
  const overnight = 1 / (1 + Math.exp((closes - end) / slack));
  return late + overnight * Math.max(0, closes + night - promisedAt);
}
