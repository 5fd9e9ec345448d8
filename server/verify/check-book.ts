import { createHash } from "node:crypto";
import { entryText, headingText, type JobHeading, type KeptEntry } from "../../core/book/chain/index.ts";
import { lastFact, Signature } from "../../core/book/facts/index.ts";

/** A job's row as its chain is told by it. */
export interface Bound extends JobHeading {
  lastSeq: number;
  /** Hexadecimal digits; nothing where the book is empty. */
  lastHash: string | null;
  signedAt: Date | null;
  signedBy: string | null;
}

export type Line = KeptEntry & { hash: string };

export interface Broken {
  jobId: string;
  number: number;
  /** The first line that is not as it was written; nothing where it is the job itself. */
  fromLine: number | null;
  why: string;
}

const sha256 = (text: string) => createHash("sha256").update(text).digest("hex");

/** Why a line isn't the one that stood there; nothing where it is. */
function trouble(line: Line, place: number, before: string): string | undefined {
  if (line.seq !== place) return `line ${place} is gone`;
  if (line.hash !== sha256(entryText(before, line)))
    return "it doesn't say what it said as it was written, or the line before it isn't the one that was";
  return undefined;
}

function signatureTrouble({ signedAt, signedBy, linesReadIn }: Bound, lines: readonly Line[]) {
  const signature = lastFact(lines, Signature)?.entry;
  if (!signedAt) return signature ? "its book is signed and it stands as open" : undefined;
  // A file of the first format has no line for it.
  if (!signature && linesReadIn !== null) return undefined;
  if (!signature) return "it stands as signed and nothing in its book says so";
  return signature.by === signedBy ? undefined : "somebody else signed its book";
}

/**
 * Reads a book against its hashes, reckoned here and not by the database that made them. Answers with the first place where it
 * isn't what was written; nothing where it is unbroken.
 */
export function checkBook(job: Bound, lines: readonly Line[]): Broken | undefined {
  const broken = (fromLine: number | null, why: string): Broken => ({
    ...{ jobId: job.id, number: job.number },
    ...{ fromLine, why },
  });
  let before = sha256(headingText(job));
  for (const [index, line] of lines.entries()) {
    const why = trouble(line, index + 1, before);
    if (why && index === 0 && line.seq === 1)
      return broken(1, "line 1, or what the job was opened as, isn't what was written");
    if (why) return broken(index + 1, why);
    before = line.hash;
  }
  if (job.lastSeq !== lines.length) return broken(lines.length + 1, `line ${lines.length + 1} is gone`);
  if (job.lastHash !== (lines.at(-1)?.hash ?? null))
    return broken(null, "its end is not the one that was written down");
  const why = signatureTrouble(job, lines);
  return why ? broken(null, why) : undefined;
}
