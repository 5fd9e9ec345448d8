import {
  beliefOf,
  circuitOf,
  type FindContext,
  type FindPlan,
  keyOf,
  type PlanQuestion,
  planOf,
} from "../../../core/stages/find/index.ts";
import type { Desk } from "../../database/connection.ts";
import { isId } from "../../desk/is-id.ts";
import { type Histories, readHistories } from "./read-history.ts";
import { type JobPage, readJob } from "./read-job.ts";
import { type RecentJob, readVehiclesJobs } from "./read-vehicles-jobs.ts";

/** What Find weighs besides the book, and what there is to plan from both; nothing to plan where no circuit is known. */
interface Weighed {
  histories: Histories;
  recent: RecentJob | null;
  notOnThisCar: string[];
  now: string;
  question: PlanQuestion | null;
}

/** The same with the plan in place of its question. */
export type FindRead = Omit<Weighed, "question"> & { planned: { key: string; plan: FindPlan } | null };

const NOTHING = { histories: {}, recent: null, notOnThisCar: [], question: null };

/** Find as it stands `now`, ISO 8601; `page` where whoever asks has read the job already. */
export async function readFind(
  desk: Desk,
  jobId: string,
  now: string,
  page?: Pick<JobPage, "card" | "entries">,
): Promise<Weighed> {
  const { models, transaction } = desk;
  const job = isId(jobId) ? await models.Job.findOne({ where: { id: jobId }, transaction }) : null;
  if (!job) return { ...NOTHING, now };
  const { card, entries } = page ?? (await readJob(desk, jobId));
  const others = await readVehiclesJobs(desk, job);
  const histories = await readHistories(desk);
  const kind = circuitOf(entries, card?.circuit);
  const read = { histories, ...others, now };
  if (!kind) return { ...read, question: null };
  const context: FindContext = {
    history: histories[kind] ?? {},
    fanOnC: card?.fanOnC,
    fanSenses: card?.fanSenses,
    comeback: others.recent?.comeback.hints ?? [],
    notOnThisCar: others.notOnThisCar,
    now,
  };
  return { ...read, question: beliefOf(entries, kind, context).question };
}

/** The plan of what was read: tens of milliseconds of thinking, so not while a connection is held. */
export const withPlan = ({ question, ...read }: Weighed): FindRead => ({
  ...read,
  planned: question && { key: keyOf(question), plan: planOf(question) },
});
