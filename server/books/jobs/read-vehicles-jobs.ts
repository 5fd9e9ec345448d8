import { Op } from "sequelize";
import { CannotTest, factsOf } from "../../../core/book/facts/index.ts";
import type { Desk } from "../../database/connection.ts";
import { readBooks } from "../../entries/read-books.ts";

/** Work older than this has shown what it left behind. */
const RECENT_DAYS = 120;
const DAY_MS = 86_400_000;
/** The vehicle's latest jobs say what can't be done on it; older ones are another technician's tools and times. */
const MOST_JOBS = 20;

export interface RecentJob {
  id: string;
  number: number;
  daysBefore: number;
}

interface OtherJob {
  id: string;
  number: number;
  signedAt: Date | null;
}

/** The vehicle's last signed job, where it was signed within 120 days before this one was opened: recent work matters. */
function recentOf(others: readonly OtherJob[], openedAt: Date): RecentJob | null {
  const signed = others
    .flatMap(({ id, number, signedAt }) =>
      signedAt && signedAt <= openedAt ? [{ id, number, signedAt }] : [],
    )
    .sort((a, b) => b.signedAt.getTime() - a.signedAt.getTime());
  const [last] = signed;
  if (!last) return null;
  const days = (openedAt.getTime() - last.signedAt.getTime()) / DAY_MS;
  return days <= RECENT_DAYS ? { id: last.id, number: last.number, daysBefore: Math.round(days) } : null;
}

/** Tests that these jobs of the vehicle found impossible on it, each once. */
async function barredBy(desk: Desk, ids: readonly string[]): Promise<string[]> {
  const books = await readBooks(desk, ids, [CannotTest.fact]);
  const barred = [...books.values()].flatMap((entries) =>
    factsOf(entries, CannotTest).flatMap(({ fact }) => (fact.why === "car" ? [fact.test] : [])),
  );
  return [...new Set(barred)];
}

/** What the vehicle's other jobs say to this one: recent work on it, and the tests that can't be done on it. */
export async function readVehiclesJobs(
  desk: Desk,
  job: { id: string; vehicleId: string; openedAt: Date },
): Promise<{ recent: RecentJob | null; notOnThisCar: string[] }> {
  const others = await desk.models.Job.findAll({
    where: { vehicleId: job.vehicleId, id: { [Op.ne]: job.id } },
    attributes: ["id", "number", "openedAt", "signedAt"],
    order: [["openedAt", "DESC"]],
    raw: true,
    transaction: desk.transaction,
  });
  const latest = others.slice(0, MOST_JOBS).map(({ id }) => id);
  return { recent: recentOf(others, job.openedAt), notOnThisCar: await barredBy(desk, latest) };
}
