import { useCallback, useEffect, useMemo, useState, useSyncExternalStore } from "react";
import { useOutletContext } from "react-router";
import { isOwners } from "../../../core/book/admit/index.ts";
import type { Entry, Stage } from "../../../core/book/entry/index.ts";
import type { System } from "../../../core/kernel/units/index.ts";
import type { JobPage as WholePage } from "../../../server/books/jobs/read-job.ts";
import { useMember } from "../../desk/member.ts";
import { type DatedDraft, JobBook } from "../../outbox/job-book.ts";
import { useOutbox, useOutboxLines } from "../../outbox/OutboxProvider.tsx";
import { type Unsent, withUnsent } from "../../outbox/outbox.ts";
import { announce } from "../../ui/announcer.ts";
import { useShared, useSharedEach } from "../../ui/useShared.ts";
import { useWhoWasFirst } from "./useWhoWasFirst.ts";

export type { DatedDraft };

/** A job, its car and its people; the book is apart from it, since it grows all day while the rest stays. */
export type JobPage = Omit<WholePage, "entries">;

export interface JobContext {
  page: JobPage;
  /** The book with what is typed here and not sent yet. */
  entries: readonly Entry[];
  system: System;
  timeZone: string;
  /** The signature that this person gave here and the page doesn't know of yet, sent or not. */
  ownSignature: Unsent | undefined;
  /** Ids of lines that were sent as something else than a line: they can't be corrected as one. */
  parcels: ReadonlySet<string>;
  /** False for the front desk, and for a signed job but for corrections. */
  mayBook: boolean;
  /** What an owner says and is promised may be written: by the front desk too. */
  maySay: boolean;
  /** A signed job still takes corrections, and what becomes of its promises. */
  mayCorrect: boolean;
  /** Whether this person may put this line right. */
  mayMend: (entry: Entry) => boolean;
  /** Adds to the book: see `JobBook.book`. */
  book: JobBook["book"];
  /** Why the last tap was not taken; nothing where it was. */
  notice: string;
}

const NOTICE_MS = 5000;

/** Ids of entries that wait in this browser; apart from the rest, which stays as it is when a line is sent. */
export function useWaiting(): ReadonlySet<string> {
  const { unsent } = useOutboxLines();
  return useMemo(() => new Set(unsent.map(({ entry }) => entry.id)), [unsent]);
}

/**
 * What every stage works with: the book as this browser knows it, and the one way to add to it. It stays the same object
 * for as long as it says the same: a line that was typed here, then sent, then read back from the server is drawn once.
 */
export function useJobBook(read: JobPage, booked: readonly Entry[], stage: Stage): JobContext {
  const { units, timeZone, role, personId } = useMember();
  const outbox = useOutbox();
  const page = useShared(read);
  const lines = useOutboxLines();
  const sentHere = useMemo(() => [...lines.booked, ...lines.unsent], [lines]);
  const jobId = page.job.id;
  const entries = useSharedEach(
    useMemo(() => withUnsent(booked, sentHere, jobId), [booked, sentHere, jobId]),
  );
  const [jobBook] = useState(() => new JobBook({ outbox, announce }));
  jobBook.know({
    ...{ jobId, stage, system: units, entries },
    ...{ isSigned: page.job.signedAt !== null, byDesk: role === "desk" },
  });
  const { book } = jobBook;
  const notice = useSyncExternalStore(jobBook.subscribe, jobBook.notice, () => "");
  // Before the outbox lets go of what is booked.
  useWhoWasFirst(page.names, booked, lines.booked, personId, jobBook.say);
  useEffect(() => outbox.settle(new Set(booked.map((entry) => entry.id))), [outbox, booked]);
  useEffect(() => {
    if (!notice) return;
    const timer = setTimeout(() => jobBook.say(""), NOTICE_MS);
    return () => clearTimeout(timer);
  }, [notice, jobBook]);
  const ownSignature = useMemo(
    () =>
      sentHere.find(
        (each) =>
          each.jobId === page.job.id &&
          each.personId === personId &&
          each.parcel?.kind === "signature" &&
          !each.refused,
      ),
    [sentHere, page.job.id, personId],
  );
  const parcels = useShared(
    useMemo(() => new Set(sentHere.filter(({ parcel }) => parcel).map(({ entry }) => entry.id)), [sentHere]),
  );
  const isLocked = page.job.signedAt === null && ownSignature !== undefined;
  const maySay = !page.job.signedAt && !isLocked;
  const mayBook = role !== "desk" && maySay;
  const mayCorrect = !isLocked;
  const mayMend = useCallback(
    (entry: Entry) => mayCorrect && (role !== "desk" || isOwners(entry)),
    [mayCorrect, role],
  );
  return useMemo(
    () => ({
      page,
      entries,
      ownSignature,
      parcels,
      system: units,
      timeZone,
      mayBook,
      maySay,
      mayCorrect,
      mayMend,
      book,
      notice,
    }),
    [
      page,
      entries,
      ownSignature,
      parcels,
      units,
      timeZone,
      mayBook,
      maySay,
      mayCorrect,
      mayMend,
      book,
      notice,
    ],
  );
}

export const useJob = (): JobContext => useOutletContext<JobContext>();
