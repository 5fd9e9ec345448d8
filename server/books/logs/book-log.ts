import { dataOf, WarmUpLog } from "../../../core/book/facts/index.ts";
import { unwritable } from "../../../core/kernel/text/index.ts";
import { traceSpecOf } from "../../../core/trade/car/index.ts";
import type { TraceAnalysis } from "../../../core/trade/trace/index.ts";
import type { AtDesk, Desk } from "../../database/connection.ts";
import { type Given, sumOf } from "../../desk/given-bytes.ts";
import { Refusal } from "../../desk/refusal.ts";
import { recordEntries } from "../../entries/record-entries.ts";
import { jobToTake, refuseSigned, whileUnderWay } from "../../entries/under-way.ts";
import { judgeLog } from "./judge-log.ts";

export interface NewLog {
  /** Of the log and of the entry that books it. */
  id: string;
  name: string;
  /** As it was handed in; `text` where it was never anything but text. */
  bytes?: Given;
  text?: string;
  /** Hours that the engine had stood before it; absent where nobody knows. */
  restedH?: number;
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

const MOST_REASON_LETTERS = 600;
const finite = (figure: number | undefined) => figure !== undefined && Number.isFinite(figure);

/** The verdicts as the book keeps them: figures that are figures, sentences that end. */
function keptChecks(checks: TraceAnalysis["checks"]): WarmUpLog["checks"] {
  return Object.fromEntries(
    Object.entries(checks).map(([check, { verdict, because, measured, expected, failing, stagesSeen }]) => [
      check,
      {
        verdict,
        because: because.slice(0, MOST_REASON_LETTERS),
        ...(finite(measured) ? { measured } : {}),
        ...(finite(expected) ? { expected } : {}),
        ...(failing ? { failing } : {}),
        ...(stagesSeen === undefined ? {} : { stagesSeen }),
      },
    ]),
  );
}

/** A log that is there is the same one sent again, or it is refused. */
async function isThere(
  { models, transaction }: Desk,
  jobId: string,
  id: string,
  sha256: string,
): Promise<boolean> {
  const there = await models.Log.findOne({
    where: { id },
    attributes: ["id", "jobId", "sha256"],
    transaction,
  });
  if (!there) return false;
  if (there.jobId === jobId && there.sha256 === sha256) return true;
  const where = there.jobId === jobId ? "in this job with other contents" : "in another job's book";
  throw new Refusal({ status: 409, message: `A log with that id is ${where}: this one is not booked.` });
}

interface JudgedLog {
  id: string;
  name: string;
  sha256: string;
  content: Buffer;
  rows: number;
  analysis: TraceAnalysis;
  restedH: number | undefined;
}

/** Keeps a log that was judged, and books its verdicts, with the job held. */
async function keepLog(desk: Desk, jobId: string, log: JudgedLog): Promise<void> {
  const { models, transaction, shopId, now } = desk;
  const { id, name, sha256, content, rows, analysis, restedH } = log;
  const { personId } = await jobToTake(desk, jobId, { lock: true });
  if (await isThere(desk, jobId, id, sha256)) return;
  await models.Log.create(
    { shopId, id, jobId, name, rows, sha256, content, createdBy: personId, createdAt: now },
    { transaction },
  );
  const fact = {
    logId: id,
    log: name,
    rows,
    sha256,
    peakC: analysis.peakC,
    ...(restedH === undefined ? {} : { restedH }),
    checks: keptChecks(analysis.checks),
  };
  await recordEntries(
    desk,
    jobId,
    [
      {
        id,
        at: now.toISOString(),
        stage: "prove",
        kind: "reading",
        item: "warm-up log",
        text: sumUp(analysis).slice(0, 1900),
        data: dataOf(WarmUpLog, fact),
      },
    ],
    { byServer: true },
  );
}

/**
 * Reads, judges and keeps a warm-up log byte for byte, and books its verdicts. What the browser worked out is not taken
 * on trust. It is judged in no transaction, so that nobody waits for it.
 */
export async function bookLog(at: AtDesk, jobId: string, { id, name, ...given }: NewLog): Promise<void> {
  const bytes = given.bytes ?? new TextEncoder().encode(given.text ?? "");
  const sha256 = await sumOf(bytes);
  const card = await at(async (desk) => {
    const { models, transaction } = desk;
    const { job } = await jobToTake(desk, jobId);
    if (await isThere(desk, jobId, id, sha256)) return "there" as const;
    refuseSigned(job);
    return models.CoolingCard.findOne({ where: { vehicleId: job.vehicleId }, transaction });
  });
  if (card === "there") return;
  const letters = unwritable(name);
  if (letters) throw new Refusal({ message: "", fields: { name: letters } });
  if (!card)
    throw new Refusal({
      message: "This vehicle has no cooling card to judge a log by. Write the card first.",
    });
  await whileUnderWay(at, { jobId, id, what: "log" }, async () => {
    const judged = await judgeLog(bytes, traceSpecOf(card, given.restedH));
    if ("stops" in judged) throw new Refusal({ message: judged.stops, fields: { log: "Not booked." } });
    await at((desk) =>
      keepLog(desk, jobId, {
        ...judged,
        id,
        name,
        sha256,
        content: Buffer.from(judged.content),
        restedH: given.restedH,
      }),
    );
  });
}
