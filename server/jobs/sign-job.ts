import { mayClose } from "../../core/ledger/index.ts";
import type { Desk } from "../database/connection.ts";
import { notFound, Refusal } from "../refusal.ts";
import { isId } from "../vehicles/read-vehicle.ts";
import { readBook } from "./read-books.ts";

export interface Signature {
  /** Id of the entry that the signature becomes. */
  id: string;
  reason: string;
  /** What the signer saw as open: a job that changed meanwhile isn't signed unseen. */
  openSeen: string[];
}

const LEAST_REASON = 10;

/** Signs a job and locks it. With anything open it takes a written reason, and what is open must be what was shown. */
export async function signJob(
  { ...desk }: Desk,
  jobId: string,
  { id, reason, openSeen }: Signature,
): Promise<void> {
  const { models, transaction, shopId, personId, now } = desk;
  const job = isId(jobId)
    ? await models.Job.findOne({ where: { id: jobId }, transaction, lock: true })
    : null;
  if (!job || !personId) throw notFound("That job");
  if (job.signedAt) {
    const isResend = await models.Entry.findOne({ where: { id, jobId }, transaction });
    if (isResend) return;
    throw new Refusal({ status: 409, message: `Job ${job.number} is signed already.` });
  }
  const { because } = mayClose(await readBook(desk, jobId));
  if (because.length !== openSeen.length || because.some((words, index) => words !== openSeen[index])) {
    throw new Refusal({
      status: 409,
      message: "The book has changed since this page was shown. Read what is open again, then sign.",
    });
  }
  if (because.length > 0 && reason.trim().length < LEAST_REASON) {
    throw new Refusal({
      message: "",
      fields: { reason: `Something is open, so say why it may go, in ${LEAST_REASON} letters or more.` },
    });
  }
  const seq = job.lastSeq + 1;
  const data = { signed: true, open: because };
  const text = reason.trim() || "everything is accounted for";
  await models.Entry.create(
    {
      shopId,
      id,
      jobId,
      seq,
      at: now,
      by: personId,
      stage: "sign",
      kind: "decision",
      item: "signed",
      text,
      data,
    },
    { transaction },
  );
  await job.update(
    { signedAt: now, signedBy: personId, signReason: reason.trim() || null, lastSeq: seq },
    { transaction },
  );
  await models.Audit.create(
    { shopId, personId, what: "job signed", at: now, about: { jobId, open: because.length } },
    { transaction },
  );
}
