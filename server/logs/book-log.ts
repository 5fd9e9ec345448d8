import { createHash } from "node:crypto";
import { promisify } from "node:util";
import { gzip } from "node:zlib";
import { analyseTrace, readTrace, type TraceAnalysis, type TraceSpec } from "../../core/trace/index.ts";
import type { Desk } from "../database/connection.ts";
import { recordEntries } from "../jobs/record-entries.ts";
import { notFound, Refusal } from "../refusal.ts";
import type { CardInput } from "../vehicles/add-vehicle.ts";
import { isId } from "../vehicles/read-vehicle.ts";

export interface NewLog {
  /** Of the log and of the entry that books it. */
  id: string;
  name: string;
  text: string;
}

const compress = promisify(gzip);

/** What a log is judged by. */
export function specOf(
  card: Pick<CardInput, "thermostatOpensC" | "fanOnC" | "fanOffC" | "fanSenses">,
): TraceSpec {
  const { thermostatOpensC, fanOnC, fanOffC, fanSenses } = card;
  return { thermostatOpensC, fanOnC, fanOffC, fanSenses };
}

/** One sentence for the book, failures first. */
export function sumUp({ checks, peakC }: TraceAnalysis): string {
  const of = (verdict: string) => Object.values(checks).filter((check) => check.verdict === verdict);
  const failed = of("fail");
  const peak = `hottest ${Math.round(peakC)} °C`;
  if (failed.length > 0) return `${peak}. ${failed.map((check) => check.because).join(" ")}`;
  const unseen = of("not-seen").length;
  return `${of("pass").length} checks pass, ${unseen > 0 ? `${unseen} not seen, ` : ""}${peak}`;
}

/** Reads, judges and keeps a warm-up log, and books its verdicts. What the browser worked out is not taken on trust. */
export async function bookLog(desk: Desk, jobId: string, { id, name, text }: NewLog): Promise<void> {
  const { models, transaction, shopId, personId, now } = desk;
  const job = isId(jobId)
    ? await models.Job.findOne({ where: { id: jobId }, transaction, lock: true })
    : null;
  if (!job || !personId) throw notFound("That job");
  if (await models.Log.findOne({ where: { id }, attributes: ["id"], transaction })) return;
  const card = await models.CoolingCard.findOne({ where: { vehicleId: job.vehicleId }, transaction });
  if (!card)
    throw new Refusal({
      message: "This vehicle has no cooling card to judge a log by. Write the card first.",
    });
  const { trace, problems } = readTrace(text);
  if (!trace)
    throw new Refusal({
      message: problems.find((problem) => problem.stops)?.message ?? "",
      fields: { log: "Not booked." },
    });
  const analysis = analyseTrace(trace, specOf(card));
  const content = await compress(text);
  const sha256 = createHash("sha256").update(text).digest("hex");
  await models.Log.create(
    { shopId, id, jobId, name, rows: trace.s.length, sha256, content, createdBy: personId, createdAt: now },
    { transaction },
  );
  const verdicts = Object.fromEntries(
    Object.entries(analysis.checks).map(([check, { verdict, because, measured, expected }]) => [
      check,
      { verdict, because, measured, expected },
    ]),
  );
  await recordEntries(desk, jobId, [
    {
      id,
      at: now.toISOString(),
      stage: "prove",
      kind: "reading",
      item: "warm-up log",
      text: sumUp(analysis).slice(0, 1900),
      data: { logId: id, log: name, rows: trace.s.length, peakC: analysis.peakC, checks: verdicts },
    },
  ]);
}
