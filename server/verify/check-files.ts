import { promisify } from "node:util";
import { gunzip } from "node:zlib";
import { factsOf, Picture, WarmUpLog } from "../../core/book/facts/index.ts";
import type { AtDesk } from "../database/connection.ts";
import { sumOf } from "../desk/given-bytes.ts";
import type { Broken } from "./check-book.ts";
import type { Chain } from "./read-chains.ts";

const expand = promisify(gunzip);

/** A file that a line of the book speaks of, by what that line says of it. */
interface Spoken {
  id: string;
  what: string;
  seq: number;
  /** Nothing in a line of the first version. */
  sha256: string | undefined;
}

/** Which of them is gone: a job file of the first format came without its logs, so the lines that were read in may speak of what isn't here. */
const goneOf = (spoken: readonly Spoken[], known: ReadonlySet<string>, linesReadIn: number) =>
  spoken.find(({ id, seq }) => seq > linesReadIn && !known.has(id));

async function logTrouble(at: AtDesk, { job, lines }: Chain): Promise<string | undefined> {
  const spoken = factsOf(lines, WarmUpLog).map(({ fact, entry }) => ({
    ...{ id: fact.logId, what: `the log “${fact.log}”`, seq: entry.seq, sha256: fact.sha256 },
  }));
  const logs = await at(({ models, transaction }) =>
    models.Log.findAll({ attributes: ["id", "name", "sha256"], where: { jobId: job.id }, transaction }),
  );
  const gone = goneOf(spoken, new Set(logs.map(({ id }) => id)), job.linesReadIn ?? 0);
  if (gone) return `${gone.what} of line ${gone.seq} is gone`;
  for (const { id, name, sha256 } of logs) {
    const log = await at(({ models, transaction }) => models.Log.findOne({ where: { id }, transaction }));
    const sum = log && (await sumOf(await expand(log.content)));
    const said = spoken.find((each) => each.id === id)?.sha256 ?? sha256;
    if (sum !== sha256 || sum !== said) return `the log “${name}” is not what it was`;
  }
  return undefined;
}

async function pictureTrouble(at: AtDesk, { job, lines }: Chain): Promise<string | undefined> {
  const spoken = factsOf(lines, Picture).map(({ fact, entry }) => ({
    ...{ id: entry.id, what: `the picture “${entry.text}”`, seq: entry.seq, sha256: fact.sha256 },
  }));
  if (spoken.length === 0) return undefined;
  const kept = await at(({ models, transaction }) =>
    models.Picture.findAll({ attributes: ["id"], where: { jobId: job.id }, transaction }),
  );
  const known = new Set(kept.map(({ id }) => id));
  const gone = goneOf(spoken, known, job.linesReadIn ?? 0);
  if (gone) return `${gone.what} of line ${gone.seq} is gone`;
  for (const { id, what, sha256, seq } of spoken) {
    if (sha256 === undefined || !known.has(id)) continue;
    const picture = await at(({ models, transaction }) =>
      models.Picture.findOne({ attributes: ["content"], where: { id }, transaction }),
    );
    if (!picture || (await sumOf(picture.content)) !== sha256)
      return `${what} of line ${seq} is not what it was`;
  }
  return undefined;
}

/** Whether each log and picture that a book speaks of is there and is what it was: one by one, since each may be large. */
export async function checkFiles(at: AtDesk, chain: Chain): Promise<Broken | undefined> {
  const why = (await logTrouble(at, chain)) ?? (await pictureTrouble(at, chain));
  const { id, number } = chain.job;
  return why === undefined ? undefined : { jobId: id, number, fromLine: null, why };
}
