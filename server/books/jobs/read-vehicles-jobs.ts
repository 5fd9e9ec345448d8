import { Op } from "sequelize";
import { CannotTest, factsOf } from "../../../core/book/facts/index.ts";
import { type Comeback, comebackOf } from "../../../core/stages/earlier-jobs/index.ts";
import type { Desk } from "../../database/connection.ts";
import { isId } from "../../desk/is-id.ts";
import { readBook, readBooks } from "../../entries/read-books.ts";

/** Work older than this has shown what it left behind. */
const RECENT_DAYS = 120;
const DAY_MS = 86_400_000;
const MINUTES_A_DAY = 1440;
/** The vehicle's latest jobs say what can't be done on it; older ones are another technician's tools and times. */
const MOST_JOBS = 20;

export interface RecentJob {
  id: string;
  number: number;
  /** Minutes from its signature to the opening of the one that is asked of. */
  minutesBefore: number;
  comeback: Comeback;
}

interface OtherJob {
  id: string;
  number: number;
  signedAt: Date | null;
}

/** The vehicle's last signed job, where it was signed within 120 days before this one was opened: recent work matters. */
function recentOf(others: readonly OtherJob[], openedAt: Date): Omit<RecentJob, "comeback"> | null {
  const signed = others
    .flatMap(({ id, number, signedAt }) =>
      signedAt && signedAt <= openedAt ? [{ id, number, signedAt }] : [],
    )
    .sort((a, b) => b.signedAt.getTime() - a.signedAt.getTime());
  const [last] = signed;
  if (!last) return null;
  const days = (openedAt.getTime() - last.signedAt.getTime()) / DAY_MS;
  return days <= RECENT_DAYS
    ? { id: last.id, number: last.number, minutesBefore: Math.round(days * MINUTES_A_DAY) }
    : null;
}

/** The last job with what its book says to this one. */
async function withComeback(desk: Desk, last: Omit<RecentJob, "comeback"> | null): Promise<RecentJob | null> {
  if (!last) return null;
  const entries = await readBook(desk, last.id);
  return { ...last, comeback: comebackOf(entries, last.minutesBefore / MINUTES_A_DAY) };
}

/** Tests that these jobs of the vehicle found impossible on it, each once. */
async function barredBy(desk: Desk, ids: readonly string[]): Promise<string[]> {
  const books = await readBooks(desk, ids, [CannotTest.fact]);
  const barred = [...books.values()].flatMap((entries) =>
    factsOf(entries, CannotTest).flatMap(({ fact }) => (fact.why === "car" ? [fact.test] : [])),
  );
  return [...new Set(barred)];
}

/** The vehicle's last signed job before this one, where that was not long ago; nothing for a job that isn't this shop's. */
export async function readRecent(desk: Desk, jobId: string): Promise<RecentJob | null> {
  const { models, transaction } = desk;
  const job = isId(jobId) ? await models.Job.findOne({ where: { id: jobId }, transaction }) : null;
  if (!job) return null;
  return withComeback(desk, recentOf(await othersOf(desk, job), job.openedAt));
}

interface ThisJob {
  id: string;
  vehicleId: string;
  openedAt: Date;
}

const othersOf = (desk: Desk, job: ThisJob): Promise<OtherJob[]> =>
  desk.models.Job.findAll({
    where: { vehicleId: job.vehicleId, id: { [Op.ne]: job.id } },
    attributes: ["id", "number", "openedAt", "signedAt"],
    order: [["openedAt", "DESC"]],
    raw: true,
    transaction: desk.transaction,
  });

/** What the vehicle's other jobs say to this one: recent work on it, and the tests that can't be done on it. */
export async function readVehiclesJobs(
  desk: Desk,
  job: ThisJob,
): Promise<{ recent: RecentJob | null; notOnThisCar: string[] }> {
  const others = await othersOf(desk, job);
  const latest = others.slice(0, MOST_JOBS).map(({ id }) => id);
  const recent = await withComeback(desk, recentOf(others, job.openedAt));
  return { recent, notOnThisCar: await barredBy(desk, latest) };
}
