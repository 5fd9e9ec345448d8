import { dataOf, Signature } from "../../../core/book/facts/index.ts";
import { maySign, reasonTrouble } from "../../../core/stages/sign/index.ts";
import { provenCar } from "../../../core/state/index.ts";
import type { Desk } from "../../database/connection.ts";
import { isId } from "../../desk/is-id.ts";
import { notFound, Refusal } from "../../desk/refusal.ts";
import { countVerdict } from "../../entries/count-verdict.ts";
import { readBook } from "../../entries/read-books.ts";
import { recordEntries } from "../../entries/record-entries.ts";
import { refuseWhileUnderWay } from "../../entries/under-way.ts";
import { promiseAtSigning } from "../../subjects/follow-ups/promise-at-signing.ts";

export interface NewSignature {
  /** Id of the entry that the signature becomes. */
  id: string;
  reason: string;
  /** What the signer saw as open: a job that changed meanwhile isn't signed unseen. The first of a very long list do. */
  openSeen: readonly string[];
  /** How many were open; as many as `openSeen` where it isn't given. */
  openCount?: number;
}

/** The entry that a signature becomes keeps as many by name, in so many letters; the book beneath it has them all. */
const MOST_OPEN_KEPT = 80;
const MOST_LETTERS_KEPT = 12_000;

function isAsSeen(
  because: readonly string[],
  { openSeen, openCount = openSeen.length }: NewSignature,
): boolean {
  return because.length === openCount && openSeen.every((words, index) => words === because[index]);
}

/** What is open as the entry keeps it: the first of it, and how many more there are. */
function keptOf(because: readonly string[]): string[] {
  const kept: string[] = [];
  let letters = 0;
  for (const words of because) {
    letters += JSON.stringify(words).length;
    if (kept.length === MOST_OPEN_KEPT || letters > MOST_LETTERS_KEPT) break;
    kept.push(words);
  }
  const rest = because.length - kept.length;
  return rest > 0 ? [...kept, `and ${rest} more`] : kept;
}

/** Signs a job and locks it. With anything open or not proven it takes a written reason, and what is open must be what was shown. */
export async function signJob(desk: Desk, jobId: string, signature: NewSignature): Promise<void> {
  const { id, reason } = signature;
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
  await refuseWhileUnderWay(desk, jobId);
  const book = await readBook(desk, jobId);
  const card = await models.CoolingCard.findOne({ where: { vehicleId: job.vehicleId }, transaction });
  const may = maySign(book, provenCar(card));
  const { openWords: because, unproven: notProven } = may;
  if (may.isEmpty)
    throw new Refusal({
      message: "The book is empty. Write down what was done, in one line at least, then sign.",
    });
  if (!isAsSeen(because, signature)) {
    throw new Refusal({
      status: 409,
      message: "The book has changed since this page was shown. Read what is open again, then sign.",
    });
  }
  const trouble = reasonTrouble(may, reason);
  if (trouble) throw new Refusal({ message: "", fields: { reason: trouble } });
  await recordEntries(
    desk,
    jobId,
    [
      ...(await promiseAtSigning(desk, job.vehicleId, book)),
      {
        id,
        at: now.toISOString(),
        stage: "sign",
        kind: "decision",
        item: "signed",
        text: reason.trim() || "everything is accounted for",
        data: dataOf(Signature, {
          open: keptOf(because),
          ...(notProven.length > 0 ? { unproven: notProven.map(({ words }) => words) } : {}),
        }),
      },
    ],
    { byServer: true },
  );
  await job.reload({ transaction });
  await job.update({ signedAt: now, signedBy: personId, signReason: reason.trim() || null }, { transaction });
  await countVerdict(desk, job, book);
  await models.Audit.create(
    { shopId, personId, what: "job signed", at: now, about: { jobId, open: because.length } },
    { transaction },
  );
}
