import {
  beliefOf,
  circuitOf,
  type FindContext,
  type FindPlan,
  keyOf,
  type PlanQuestion,
  planOf,
} from "../../../core/stages/find/index.ts";
import { toCard } from "../../cards/card.ts";
import type { Desk } from "../../database/connection.ts";
import { isId } from "../../desk/is-id.ts";
import { readBook } from "../../entries/read-books.ts";
import { readBarredTests } from "./read-barred-tests.ts";
import { readHistory } from "./read-history.ts";
import { type RecentJob, readRecentJob } from "./read-recent-job.ts";

/** What Find weighs besides the book, and what there is to plan from both; nothing to plan where no circuit is known. */
interface Weighed {
  history: Record<string, number>;
  recent: RecentJob | null;
  notOnThisCar: string[];
  now: string;
  question: PlanQuestion | null;
}

/** The same with the plan in place of its question. */
export type FindRead = Omit<Weighed, "question"> & { planned: { key: string; plan: FindPlan } | null };

const NOTHING = { history: {}, recent: null, notOnThisCar: [], question: null };

/** Find as it stands `now`, ISO 8601. */
export async function readFind(desk: Desk, jobId: string, now: string): Promise<Weighed> {
  const { models, transaction } = desk;
  const job = isId(jobId) ? await models.Job.findOne({ where: { id: jobId }, transaction }) : null;
  if (!job) return { ...NOTHING, now };
  const found = await models.CoolingCard.findOne({ where: { vehicleId: job.vehicleId }, transaction });
  const card = found && toCard(found);
  const entries = await readBook(desk, jobId);
  const kind = circuitOf(entries, card?.circuit);
  const recent = await readRecentJob(desk, jobId);
  const notOnThisCar = await readBarredTests(desk, jobId);
  if (!kind) return { ...NOTHING, recent, notOnThisCar, now };
  const history = await readHistory(desk, kind);
  const context: FindContext = {
    history,
    fanOnC: card?.fanOnC,
    fanSenses: card?.fanSenses,
    isAfterWork: recent !== null,
    notOnThisCar,
    now,
  };
  return { history, recent, notOnThisCar, now, question: beliefOf(entries, kind, context).question };
}

/** The plan of what was read: tens of milliseconds of thinking, so not while a connection is held. */
export const withPlan = ({ question, ...read }: Weighed): FindRead => ({
  ...read,
  planned: question && { key: keyOf(question), plan: planOf(question) },
});
