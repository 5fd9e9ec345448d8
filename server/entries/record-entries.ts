import type { Entry, EntryDraft, Stage } from "../../core/book/entry/index.ts";
import {
  Distance,
  entryTrouble,
  FanCircuit,
  FollowUpSaid,
  factOf,
  lifted,
} from "../../core/book/facts/index.ts";
import type { Desk } from "../database/connection.ts";
import type { Job } from "../database/models/job.ts";
import { isId } from "../desk/is-id.ts";
import { notFound, Refusal } from "../desk/refusal.ts";
import { typedAt } from "../desk/typed-at.ts";
import { countVerdict } from "./count-verdict.ts";
import { followCircuit } from "./follow-circuit.ts";
import { followDistance } from "./follow-distance.ts";
import { followPromises } from "./follow-promises.ts";
import { readBook } from "./read-books.ts";
import { refuseEntry } from "./refuse-entry.ts";
import { isSameEntry } from "./same-entry.ts";

export type NewEntry = EntryDraft & {
  /** Made by the client, so that a resend is the same entry. */
  id: string;
  stage: Stage;
  /** When it was typed, which is before now where the network was away. */
  at: string;
};

const withoutGaps = <Each extends object>(entry: Each): Each =>
  Object.fromEntries(Object.entries(entry).filter(([, value]) => value !== undefined)) as Each;

/** Checked, and what it says in today's words: a browser may hold entries that it wrote before an update. */
function settled(given: NewEntry, byServer: boolean): NewEntry {
  const entry = lifted(withoutGaps(given));
  const fields = entryTrouble(entry);
  if (fields) {
    const message =
      fields.entry ??
      Object.entries(fields)
        .map(([name, said]) => `${name}: ${said}`)
        .join(" ");
    throw new Refusal({ message, fields });
  }
  const kind = factOf(entry)?.kind;
  if (kind?.isServers && !byServer) throw new Refusal({ message: "Only the program itself writes that." });
  return entry;
}

/** A known id is the same entry sent again, or it is refused: nobody is told “booked” of what isn't. */
async function unknownOf(
  { sequelize, transaction }: Desk,
  jobId: string,
  entries: readonly NewEntry[],
  book: readonly Entry[],
) {
  const known = new Map<string, Entry | NewEntry>(book.map((entry) => [entry.id, entry]));
  const elsewhere = (
    await sequelize.query("SELECT id FROM entries WHERE id = ANY($1::uuid[]) AND job_id <> $2", {
      bind: [entries.map(({ id }) => id), jobId],
      transaction,
    })
  )[0] as { id: string }[];
  if (elsewhere.length > 0)
    throw new Refusal({
      status: 409,
      message: "A line with that id is in another job's book: not booked here.",
    });
  return entries.filter((entry) => {
    const there = known.get(entry.id);
    if (there && !isSameEntry(lifted(there), entry))
      throw new Refusal({
        status: 409,
        message: "A line with that id says something else: this one is not booked.",
      });
    known.set(entry.id, entry);
    return !there;
  });
}

async function insert({ models, transaction, shopId }: Desk, added: readonly Entry[]): Promise<void> {
  await models.Entry.bulkCreate(
    added.map((entry) => ({ ...entry, shopId, at: new Date(entry.at) })),
    { transaction, returning: false },
  );
}

/** What else follows from a book that has grown: the vehicle's distance, second looks, the shop's count of verdicts. */
async function follow(desk: Desk, job: Job, book: readonly Entry[], added: readonly Entry[]): Promise<void> {
  const movesDistance = (entry: Entry) => entry.corrects || factOf(entry)?.fact instanceof Distance;
  if (added.some(movesDistance)) await followDistance(desk, job.vehicleId);
  const settles = (entry: Entry) => factOf(entry)?.fact instanceof FanCircuit;
  if (added.some(settles)) await followCircuit(desk, job, book);
  const promises = (entry: Entry) => entry.corrects || factOf(entry)?.fact instanceof FollowUpSaid;
  if (added.some(promises)) await followPromises(desk, job, book);
  if (job.signedAt) await countVerdict(desk, job, book);
}

/**
 * Books entries at the end of a job's book, numbered without holes: the job's row is held meanwhile. Entries that are
 * there already are left as they stand; an id that is known and says something else is refused. Answers with the job's
 * last number. `byServer` lets through what only the program writes: logs and signatures;
 * `byDesk` only what the front desk may write.
 */
export async function recordEntries(
  desk: Desk,
  jobId: string,
  entries: readonly NewEntry[],
  { byServer = false, byDesk = false } = {},
): Promise<{ lastSeq: number }> {
  const { models, transaction, personId, now } = desk;
  const given = entries.map((entry) => settled(entry, byServer));
  const job = isId(jobId)
    ? await models.Job.findOne({ where: { id: jobId }, transaction, lock: true })
    : null;
  if (!job || !personId) throw notFound("That job");
  const book = await readBook(desk, jobId);
  const added: Entry[] = [];
  let grown: readonly Entry[] = book;
  for (const entry of await unknownOf(desk, jobId, given, book)) {
    const seq = job.lastSeq + added.length + 1;
    const whole: Entry = { ...entry, jobId, seq, at: typedAt(entry.at, now).toISOString(), by: personId };
    refuseEntry(whole, grown, { isSigned: job.signedAt !== null, byDesk });
    added.push(whole);
    grown = [...grown, whole];
  }
  if (added.length === 0) return { lastSeq: job.lastSeq };
  await insert(desk, added);
  await follow(desk, job, grown, added);
  return { lastSeq: job.lastSeq + added.length };
}
