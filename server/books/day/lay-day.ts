import { type LaidDay, laidDay, theDay } from "../../../core/stages/day/index.ts";
import { type DayGiven, type DayPlan, plansOfDay } from "../../../core/trade/schedule/index.ts";
import type { AtDesk, Desk } from "../../database/connection.ts";
import { heavyWork, TooHeavy } from "../../threads/heavy-work.ts";
import { lane } from "../../threads/lane.ts";
import { type DayLaid, type DayTask, laidBy } from "./lay-day.process.ts";
import type { DayRead } from "./read-day.ts";
import { readWorked, spreadsOf } from "./read-worked.ts";

const LONGEST_MS = 3000;
const MOST_WAITING = 8;
/** Begun so much later than it was laid, a piece has slipped and the day with it. */
const SLIPPED_MS = 3 * 60_000;

const NOTHING: DayPlan = { slips: [], cost: 0, late: [], unplaced: [] };

const turns = lane({ name: "days", atOnce: 1, mostWaiting: MOST_WAITING });
const layer = heavyWork<DayTask, DayLaid>({
  file: "server/books/day/lay-day.process.ts",
  longestMs: LONGEST_MS,
  mostMegabytes: 400,
});

/** The best plan in the time there is; where there is none, the first that comes: a day that is laid roughly is better than none. */
async function planned(task: DayTask, longestMs: number): Promise<DayLaid & { isRough?: true }> {
  try {
    return { ...(await turns(() => layer.run(task, longestMs))) };
  } catch (error) {
    const isBusy = error instanceof TooHeavy || (error as { againInS?: number }).againInS !== undefined;
    if (!isBusy) throw error;
    const first = (given: DayGiven) => plansOfDay(given).next().value ?? NOTHING;
    return { ...laidBy(first, task), isRough: true };
  }
}

/** Whether nothing has gone otherwise than it was laid: nothing should have begun that nobody is at, and nothing is over its time. */
function isOnTime({ slips }: LaidDay, { works, shop }: DayRead): boolean {
  const nowMs = Date.parse(shop.now);
  const pieces = new Map(
    works.flatMap(({ id, pieces: of }) => of.map((piece) => [`${id} ${piece.id}`, piece] as const)),
  );
  return slips.every(({ jobId, piece, from, until }) => {
    const there = pieces.get(`${jobId} ${piece}`);
    if (!there) return true;
    if (there.by !== undefined || there.since !== undefined) return Date.parse(until) > nowMs;
    return Date.parse(from) + SLIPPED_MS > nowMs;
  });
}

/** A piece that hands are at began when it did, and not when the day was laid last. */
function begun(laid: LaidDay, { works, shop, stored }: DayRead): LaidDay {
  const was = new Map(stored?.plan.slips.map(({ jobId, piece, from }) => [`${jobId} ${piece}`, from]));
  const isUnderWay = new Set(
    works.flatMap(({ id, pieces }) =>
      pieces.flatMap(({ id: piece, by, since }) => (by || since ? [`${id} ${piece}`] : [])),
    ),
  );
  const since = new Map(
    works.flatMap(({ id, pieces }) => pieces.map((each) => [`${id} ${each.id}`, each.since])),
  );
  return {
    ...laid,
    slips: laid.slips.map((slip) => {
      const key = `${slip.jobId} ${slip.piece}`;
      const from = since.get(key) ?? was.get(key);
      const isOld = isUnderWay.has(key) && from !== undefined && from < slip.from && slip.from <= shop.now;
      return isOld ? { ...slip, from } : slip;
    }),
  };
}

/**
 * A shop's day as it lies now: as it was laid last where nothing has happened since, else laid anew with what isn't touched where it was.
 * Everybody of the shop sees the one that is stored. What takes longer than `longestMs` to lay is laid roughly, and not kept.
 */
export async function layDay(read: DayRead, desk: AtDesk, longestMs = LONGEST_MS): Promise<LaidDay> {
  const { works, shop, stored, laidFrom, names } = read;
  const day = theDay(works, shop, stored?.plan.slips ?? []);
  const isSame = stored?.laidFrom === laidFrom && stored.plan.day === day.day;
  const hasLifts = stored?.plan.lifts?.join() === day.lifts.join();
  if (isSame && hasLifts && isOnTime(stored.plan, read)) return stored.plan;
  const spreads = spreadsOf(await desk(readWorked));
  const { given, opensNext } = day;
  const { plan, isRough, ...told } = await planned({ given, opensNext, spreads }, longestMs);
  const laid = begun(
    laidDay(plan, day, works, shop, (id) => names[id] ?? "somebody who has left", told),
    read,
  );
  return isRough ? { ...laid, isRough } : desk((given) => store(given, laid, laidFrom, stored?.plan.laidAt));
}

/**
 * Keeps the day as it was laid, unless somebody else's was kept meanwhile that was laid from the same, or from what was read later:
 * then that one is the shop's.
 */
async function store(
  { sequelize, transaction, shopId }: Desk,
  laid: LaidDay,
  laidFrom: string,
  was: string | undefined,
): Promise<LaidDay> {
  await sequelize.query("DELETE FROM day_plans WHERE day <> $1::date", { bind: [laid.day], transaction });
  await sequelize.query(
    "DELETE FROM day_holds h USING jobs j WHERE j.shop_id = h.shop_id AND j.id = h.job_id AND j.signed_at IS NOT NULL",
    { transaction },
  );
  const [kept] = (await sequelize.query(
    `INSERT INTO day_plans (shop_id, day, laid_at, laid_from, plan) VALUES ($1, $2, $3, $4, $5)
     ON CONFLICT (shop_id, day) DO UPDATE SET laid_at = $3, laid_from = $4, plan = $5
       WHERE (day_plans.laid_from <> $4 AND day_plans.laid_at <= $3)
          OR (day_plans.laid_from = $4 AND day_plans.laid_at <= coalesce($6::timestamptz, day_plans.laid_at))
     RETURNING day`,
    {
      bind: [shopId, laid.day, laid.laidAt, laidFrom, JSON.stringify(laid), was ?? null],
      transaction,
    },
  )) as [unknown[], unknown];
  if (kept.length > 0) return laid;
  const [theirs] = (await sequelize.query("SELECT plan FROM day_plans WHERE day = $1", {
    bind: [laid.day],
    transaction,
  })) as [{ plan: LaidDay }[], unknown];
  return theirs[0]?.plan ?? laid;
}
