import type { Entry } from "../entry/index.ts";
import { canonical, type Json } from "./canonical.ts";

/** What a book is the book of, as it was when the job was opened or read in. */
export interface JobHeading {
  id: string;
  number: number;
  vehicleId: string;
  openedBy: string;
  openedAt: Date;
  linesReadIn: number | null;
  origin: Json;
}

/** A line with the moment at which it was written into the book. */
export type KeptEntry = Entry & { bookedAt: Date };

/** What the hash before a book's first line is made of. */
export const headingText = ({ openedAt, ...job }: JobHeading): string =>
  canonical([
    job.id,
    job.number,
    job.vehicleId,
    job.openedBy,
    openedAt.getTime(),
    job.linesReadIn,
    job.origin,
  ]);

/**
 * What a line's hash is made of: the hash before it, as hexadecimal digits, then all that the line says and when, by whom and
 * where it stands. SHA-256 of this text in UTF-8 is the line's own hash; docs/formats/book-chain.md has it field by field.
 */
export const entryText = (before: string, entry: KeptEntry): string =>
  canonical([
    before,
    entry.id,
    entry.seq,
    Date.parse(entry.at),
    entry.by,
    entry.stage,
    entry.kind,
    entry.account ?? null,
    entry.item ?? null,
    entry.place ?? null,
    entry.out ?? null,
    entry.in ?? null,
    entry.unit ?? null,
    entry.value ?? null,
    entry.text ?? null,
    (entry.data as Json | undefined) ?? null,
    entry.corrects ?? null,
    entry.bookedAt.getTime(),
  ]);
