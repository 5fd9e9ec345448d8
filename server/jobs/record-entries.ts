import {
  balance,
  correctedIds,
  type Entry,
  type EntryDraft,
  type Stage,
  thing,
} from "../../core/ledger/index.ts";
import type { Desk } from "../database/connection.ts";
import { notFound, Refusal } from "../refusal.ts";
import { isId } from "../vehicles/read-vehicle.ts";
import { readBook } from "./read-books.ts";

export type NewEntry = EntryDraft & {
  /** Made by the client, so that a resend is the same entry. */
  id: string;
  stage: Stage;
  /** When it was typed, which is before now where the network was away. */
  at: string;
};

/** An entry typed longer ago than this was kept by a clock that is wrong. */
const OLDEST_MS = 7 * 86_400_000;

function typedAt(at: string, now: Date): Date {
  const typed = new Date(at);
  const age = now.getTime() - typed.getTime();
  return age >= 0 && age <= OLDEST_MS ? typed : now;
}

function refuseWrongCorrection(entry: NewEntry, book: readonly Entry[]): void {
  if (!entry.corrects) return;
  if (!book.some((each) => each.id === entry.corrects)) throw notFound("The line to correct");
  if (correctedIds(book).has(entry.corrects)) {
    throw new Refusal({
      status: 409,
      message: "That line has been corrected already. Correct the later one.",
    });
  }
}

/** Nothing counted goes back that isn't out: so nothing is ticked twice, by whomever. */
function refuseTooMuchBack(entry: NewEntry, book: readonly Entry[]): void {
  if (entry.corrects || entry.kind !== "movement" || entry.account === "coolant" || !entry.in) return;
  const after = balance([...book, entry as Entry]);
  const short = after.find(
    (line) =>
      line.open < 0 &&
      line.account === entry.account &&
      line.item.toLowerCase() === entry.item?.toLowerCase(),
  );
  if (!short) return;
  const stillOut = entry.in + short.open;
  const what = thing(entry);
  throw new Refusal({
    status: 409,
    message:
      stillOut > 0
        ? `Only ${stillOut} of ${what} is out, so ${entry.in} can't go back.`
        : `${what} is back already, or was never written out.`,
  });
}

function refuseSecondCheck(entry: NewEntry, book: readonly Entry[]): void {
  const checked = entry.data?.checkedPart;
  if (checked === undefined) return;
  if (!book.some((each) => each.id === checked && each.data?.chosenPart)) throw notFound("The part to check");
  if (book.some((each) => each.data?.checkedPart === checked))
    throw new Refusal({ status: 409, message: "That part is ticked already." });
}

/**
 * Books entries at the end of a job's book, numbered without holes: the job's row is held meanwhile. Entries whose id is
 * there already are left as they stand. Answers with the job's last number.
 */
export async function recordEntries(
  { ...desk }: Desk,
  jobId: string,
  entries: readonly NewEntry[],
): Promise<{ lastSeq: number }> {
  const { models, transaction, shopId, personId, now } = desk;
  const job = isId(jobId)
    ? await models.Job.findOne({ where: { id: jobId }, transaction, lock: true })
    : null;
  if (!job || !personId) throw notFound("That job");
  const book = await readBook(desk, jobId);
  const known = new Set(book.map((entry) => entry.id));
  const added: Entry[] = [];
  for (const entry of entries) {
    if (known.has(entry.id)) continue;
    known.add(entry.id);
    if (job.signedAt && !entry.corrects) {
      throw new Refusal({
        status: 409,
        message: `Job ${job.number} is signed. It takes corrections only: name the line that was wrong.`,
      });
    }
    const sofar = [...book, ...added];
    refuseWrongCorrection(entry, sofar);
    refuseTooMuchBack(entry, sofar);
    refuseSecondCheck(entry, sofar);
    const seq = job.lastSeq + added.length + 1;
    added.push({ ...entry, jobId, seq, at: typedAt(entry.at, now).toISOString(), by: personId });
  }
  if (added.length === 0) return { lastSeq: job.lastSeq };
  await models.Entry.bulkCreate(
    added.map((entry) => ({ ...entry, shopId, at: new Date(entry.at) })),
    { transaction, returning: false },
  );
  const lastSeq = job.lastSeq + added.length;
  await job.update({ lastSeq }, { transaction });
  const distance = added.findLast((entry) => entry.item === "distance" && entry.value !== undefined);
  if (distance)
    await models.Vehicle.update(
      { distanceKm: distance.value },
      { where: { id: job.vehicleId }, transaction },
    );
  return { lastSeq };
}
