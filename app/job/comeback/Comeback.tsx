import { Link } from "react-router";
import type { RecentJob } from "../../../server/books/jobs/read-vehicles-jobs.ts";

const HOUR = 60;
const DAY = 1440;

/** How long before, in the largest unit that says it: "12 minutes", "3 hours", "a day". */
function longBefore(minutes: number): string {
  if (minutes < 2) return "a moment";
  if (minutes < HOUR * 2) return `${minutes} minutes`;
  if (minutes < DAY) return `${Math.round(minutes / HOUR)} hours`;
  const days = Math.round(minutes / DAY);
  return days === 1 ? "a day" : `${days} days`;
}

/** The job that this one may be a comeback of: named, with what it did and how that is weighed. */
export function Comeback({ recent, weighed }: { recent: RecentJob; weighed: boolean }) {
  const { id, number, minutesBefore, comeback } = recent;
  const because = (isMore: boolean) =>
    [...new Set(comeback.hints.flatMap(({ times, reason }) => (times > 1 === isMore ? [reason] : [])))].join(
      "; ",
    );
  const [more, less] = [because(true), because(false)];
  return (
    <p className="border-ink border-l-4 pl-3" role="note">
      <span className="font-bold">It may be a comeback.</span>{" "}
      <Link className="underline underline-offset-4" to={`/jobs/${id}/sign`}>
        Job {number}
      </Link>{" "}
      on this vehicle was signed {longBefore(minutesBefore)} before: {comeback.words}.
      {weighed && more && ` Weighed in, likelier: ${more}.`}
      {weighed && less && ` Less likely: ${less}.`}
    </p>
  );
}
