import { useCallback, useEffect, useMemo, useRef } from "react";
import { useOutletContext } from "react-router";
import { v4 as newId } from "uuid";
import type { Entry, EntryDraft, Stage } from "../../core/ledger/index.ts";
import type { System } from "../../core/units/index.ts";
import type { JobPage } from "../../server/jobs/read-job.ts";
import { useMember } from "../shell/member.ts";
import { useOutbox, useOutboxState } from "./outbox/OutboxProvider.tsx";
import { type OutgoingEntry, withUnsent } from "./outbox/outbox.ts";

export interface JobContext {
  page: JobPage;
  /** The book with what is typed here and not sent yet. */
  entries: Entry[];
  /** Ids of entries that wait in this browser. */
  waiting: ReadonlySet<string>;
  system: System;
  timeZone: string;
  /** False for the front desk, and for a signed job but for corrections. */
  mayBook: boolean;
  book: (drafts: EntryDraft | EntryDraft[], ids?: string[]) => void;
}

const SAME_TAP_MS = 600;

/** What every stage works with: the book as this browser knows it, and the one way to add to it. */
export function useJobBook(page: JobPage, stage: Stage): JobContext {
  const { units, timeZone, role } = useMember();
  const outbox = useOutbox();
  const { unsent, booked } = useOutboxState();
  const entries = useMemo(
    () => withUnsent(page.entries, [...booked, ...unsent], page.job.id),
    [page.entries, page.job.id, booked, unsent],
  );
  useEffect(() => outbox.settle(new Set(page.entries.map((entry) => entry.id))), [outbox, page.entries]);
  const waiting = useMemo(() => new Set(unsent.map(({ entry }) => entry.id)), [unsent]);
  const lastTap = useRef({ what: "", at: 0 });
  const book = useCallback(
    (drafts: EntryDraft | EntryDraft[], ids: string[] = []) => {
      const list = Array.isArray(drafts) ? drafts : [drafts];
      const now = Date.now();
      const what = JSON.stringify(list);
      // A double tap is one tap: nobody books the very same thing twice within half a second.
      if (what === lastTap.current.what && now - lastTap.current.at < SAME_TAP_MS) return;
      lastTap.current = { what, at: now };
      const at = new Date(now).toISOString();
      const outgoing = list.map(
        (draft, index): OutgoingEntry => ({
          ...draft,
          stage: draft.stage ?? stage,
          at,
          id: ids[index] ?? newId(),
        }),
      );
      void outbox.add(page.job.id, outgoing, now);
    },
    [outbox, page.job.id, stage],
  );
  const mayBook = role !== "desk" && !page.job.signedAt;
  return { page, entries, waiting, system: units, timeZone, mayBook, book };
}

export const useJob = (): JobContext => useOutletContext<JobContext>();
