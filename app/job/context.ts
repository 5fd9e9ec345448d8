import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import { useOutletContext } from "react-router";
import { v4 as newId } from "uuid";
import { describeEntry, type Entry, type EntryDraft, isStrike, type Stage } from "../../core/ledger/index.ts";
import type { System } from "../../core/units/index.ts";
import type { JobPage } from "../../server/jobs/read-job.ts";
import { useMember } from "../shell/member.ts";
import { announce } from "../ui/announcer.ts";
import { useOutbox, useOutboxLines } from "./outbox/OutboxProvider.tsx";
import { type OutgoingEntry, type Parcel, type Unsent, withUnsent } from "./outbox/outbox.ts";
import { tellAct } from "./outbox/tell-act.ts";
import { useWhoWasFirst } from "./useWhoWasFirst.ts";

/** A draft that may say when it was, where that isn't now: a reading off a log. */
export type DatedDraft = EntryDraft & { at?: string };

export interface JobContext {
  page: JobPage;
  /** The book with what is typed here and not sent yet. */
  entries: Entry[];
  /** Ids of entries that wait in this browser. */
  waiting: ReadonlySet<string>;
  system: System;
  timeZone: string;
  /** The signature that this person gave here and the page doesn't know of yet, sent or not. */
  ownSignature: Unsent | undefined;
  /** Ids of lines that were sent as something else than a line: they can't be corrected as one. */
  parcels: ReadonlySet<string>;
  /** False for the front desk, and for a signed job but for corrections. */
  mayBook: boolean;
  /** A signed job still takes corrections. */
  mayCorrect: boolean;
  /**
   * Adds to the book; `ids` where the entries' ids are told by what they tick. False where it was not taken, which
   * `notice` then says. A `parcel` is sent in the entry's stead and becomes it.
   */
  book: (drafts: DatedDraft | DatedDraft[], ids?: string[], parcel?: Parcel) => boolean;
  /** Why the last tap was not taken; nothing where it was. */
  notice: string;
}

const SAME_TAP_MS = 600;
const NOTICE_MS = 5000;

/** Counted things count every tap: two taps into a bag are two. */
const isCounted = ({ kind, account }: EntryDraft) => kind === "movement" && account !== "coolant";

/** An act in the words it is read out in: the first line, and how many came with it. */
function actWords(drafts: readonly EntryDraft[], entries: readonly Entry[], system: System): string {
  const [first] = drafts;
  if (!first) return "";
  const named = first.corrects ? entries.find(({ id }) => id === first.corrects) : undefined;
  const line = isStrike(first) ? `line ${named?.seq ?? ""} struck out.` : describeEntry(first, system);
  const more = drafts.length > 1 ? ` And ${drafts.length - 1} more.` : "";
  return line.replace(/^(Out|In): /, "") + more;
}

/** What every stage works with: the book as this browser knows it, and the one way to add to it. */
export function useJobBook(page: JobPage, stage: Stage): JobContext {
  const { units, timeZone, role, personId } = useMember();
  const outbox = useOutbox();
  const { unsent, booked } = useOutboxLines();
  const entries = useMemo(
    () => withUnsent(page.entries, [...booked, ...unsent], page.job.id),
    [page.entries, page.job.id, booked, unsent],
  );
  const waiting = useMemo(() => new Set(unsent.map(({ entry }) => entry.id)), [unsent]);
  const lastTap = useRef({ what: "", at: 0 });
  const [notice, setNotice] = useState("");
  // Before the outbox lets go of what is booked.
  useWhoWasFirst(page, booked, personId, setNotice);
  useEffect(() => outbox.settle(new Set(page.entries.map((entry) => entry.id))), [outbox, page.entries]);
  useEffect(() => {
    if (!notice) return;
    const timer = setTimeout(() => setNotice(""), NOTICE_MS);
    return () => clearTimeout(timer);
  }, [notice]);
  const latest = useRef(entries);
  latest.current = entries;
  const known = useRef(new Set<string>());
  known.current = new Set(entries.map(({ id }) => id));
  const book = useCallback(
    (drafts: DatedDraft | DatedDraft[], ids: string[] = [], parcel?: Parcel) => {
      const list = Array.isArray(drafts) ? drafts : [drafts];
      const now = Date.now();
      const what = JSON.stringify(list);
      const isTickedAlready = ids.length > 0 && ids.every((id) => known.current.has(id));
      const isSameTap = what === lastTap.current.what && now - lastTap.current.at < SAME_TAP_MS;
      if (isTickedAlready || (isSameTap && !list.every(isCounted))) {
        setNotice(
          isTickedAlready ? "That is ticked already: booked once." : "The same tap twice: booked once.",
        );
        return false;
      }
      for (const id of ids) known.current.add(id);
      lastTap.current = { what, at: now };
      setNotice("");
      const at = new Date(now).toISOString();
      const outgoing = list.map(
        (draft, index): OutgoingEntry => ({
          ...draft,
          stage: draft.stage ?? stage,
          at: draft.at ?? at,
          id: ids[index] ?? newId(),
        }),
      );
      void outbox.add(page.job.id, outgoing, now, parcel);
      tellAct(
        outbox,
        outgoing.map(({ id }) => id),
        actWords(list, latest.current, units),
        announce,
      );
      return true;
    },
    [outbox, page.job.id, stage, units],
  );
  const sentHere = useMemo(() => [...unsent, ...booked], [unsent, booked]);
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
  const parcels = useMemo(
    () => new Set(sentHere.filter(({ parcel }) => parcel).map(({ entry }) => entry.id)),
    [sentHere],
  );
  const isLocked = page.job.signedAt === null && ownSignature !== undefined;
  const mayBook = role !== "desk" && !page.job.signedAt && !isLocked;
  const mayCorrect = role !== "desk" && !isLocked;
  return useMemo(
    () => ({
      page,
      entries,
      waiting,
      ownSignature,
      parcels,
      system: units,
      timeZone,
      mayBook,
      mayCorrect,
      book,
      notice,
    }),
    [page, entries, waiting, ownSignature, parcels, units, timeZone, mayBook, mayCorrect, book, notice],
  );
}

export const useJob = (): JobContext => useOutletContext<JobContext>();
