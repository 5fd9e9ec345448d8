import { useEffect } from "react";
import { useFetcher } from "react-router";
import { waits } from "../../../../core/book/acts/index.ts";
import { format } from "../../../../core/kernel/units/index.ts";
import { countedLevels, lossRate, reaches } from "../../../../core/trade/leaks/index.ts";
import type { LevelsOf } from "../../../../server/subjects/levels/read-levels.ts";
import { useMember } from "../../../desk/member.ts";
import { Button } from "../../../ui/Button.tsx";
import { dateOf } from "../../../ui/dates.ts";
import { LevelAdvice } from "../../../vehicle/levels/LevelAdvice.tsx";
import { useJob } from "../../stage/context.ts";

const WEEK = 7;

/** The owner would rather wait: what the level lost so far says of that, and the wish booked with the day it ends. */
export function OwnerWaits() {
  const { page, book, mayBook, system } = useJob();
  const { timeZone } = useMember();
  const fetcher = useFetcher<LevelsOf | null>();
  const { load } = fetcher;
  const { vehicle } = page;
  useEffect(() => {
    void load(`/vehicles/${vehicle.id}/levels`);
  }, [load, vehicle.id]);
  const of = fetcher.data;
  if (!of) return null;
  const counted = countedLevels(of.levels);
  const { earliest, advice } = reaches(counted, of.minimumL, { now: new Date().toISOString() });
  const rate = lossRate(counted).perDayL;
  const wait = () => {
    const lost = Number.isFinite(rate.high)
      ? `loses ${format(rate.likely * WEEK, "volume", system)} a week, at most ${format(rate.high * WEEK, "volume", system)}`
      : "how fast it loses isn't known";
    const until = earliest ? `; may be at its minimum from ${dateOf(earliest, timeZone)}` : "";
    book(waits("owner", `the owner would rather wait: ${lost}${until}`, earliest));
  };
  return (
    <section aria-labelledby="owner-waits" className="border-rule border-t pt-3">
      <h4 id="owner-waits" className="mb-1 font-bold text-lg">
        Or wait, if the owner wishes it
      </h4>
      {counted.length > 0 ? (
        <LevelAdvice levels={of.levels} minimumL={of.minimumL} system={system} timeZone={timeZone} />
      ) : (
        <p>
          Nobody has looked at its level since it was last filled: without a rate nobody knows how long it may
          wait. Take it on the vehicle's page, and again in a few days.
        </p>
      )}
      <Button className="mt-2" disabled={!mayBook || advice === "don't drive"} onClick={wait}>
        The owner waits
      </Button>
      {advice === "don't drive" && <p className="mt-1 text-ink-2">Not on the road, with so little left.</p>}
    </section>
  );
}
