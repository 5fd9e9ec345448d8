import { readHealth } from "../core/book/acts/index.ts";
import type { EntryDraft } from "../core/book/entry/index.ts";
import {
  bookedWords,
  fitCar,
  HOT_DAY,
  healthLines,
  leastShareFor,
  ownCar,
  toldFigures,
} from "../core/trade/health/index.ts";
import { carOf, SCRIPTS } from "../core/trade/thermal/index.ts";
import { readTrace } from "../core/trade/trace/index.ts";
import type { Story } from "./story.ts";

/** What a job's last log says of its car, held against the first log of an earlier job, as its hand booked it then. */
export function healthRead(story: Story, against: Story, goodAt: Date, altitudeM: number): EntryDraft {
  const { card } = story.vehicle;
  const [good, log] = [against.logs[0], story.logs.at(-1)].map((each) => readTrace(each?.text ?? "").trace);
  const own = good && ownCar(good, carOf(card));
  if (!own || "because" in own || !log) throw new Error(`${story.key} can't be held against ${against.key}`);
  const fit = fitCar(log, own.car);
  if (!fit) throw new Error(`the log of ${story.key} is too short`);
  const day = goodAt.toISOString().slice(0, 10);
  const said = goodAt.toLocaleDateString("en-GB", { day: "numeric", month: "short", year: "numeric" });
  const lines = healthLines(fit, `its log of ${said}`, { opensC: card.thermostatOpensC });
  const leastShare = leastShareFor(own.car, SCRIPTS[HOT_DAY], altitudeM);
  return readHealth(bookedWords(lines), {
    logId: story.logId(story.logs.length - 1),
    againstLogId: against.logId(0),
    againstDay: day,
    figures: toldFigures(fit),
    apartC: fit.apartC,
    ...(leastShare !== undefined && { leastShare }),
  });
}
