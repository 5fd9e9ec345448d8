import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import { useOutletContext } from "react-router";
import { v4 as newId } from "uuid";
import { admit, type BookTerms, isOwners } from "../../../core/book/admit/index.ts";
import { describeEntry } from "../../../core/book/describe/index.ts";
import { type Entry, type EntryDraft, isStrike, type Stage } from "../../../core/book/entry/index.ts";
import type { System } from "../../../core/kernel/units/index.ts";
import type { JobPage as WholePage } from "../../../server/books/jobs/read-job.ts";
import { useMember } from "../../desk/member.ts";
import { useOutbox, useOutboxLines } from "../../outbox/OutboxProvider.tsx";
import { type OutgoingEntry, type Parcel, type Unsent, withUnsent } from "../../outbox/outbox.ts";
import { tellAct } from "../../outbox/tell-act.ts";
import { announce } from "../../ui/announcer.ts";
import { useShared, useSharedEach } from "../../ui/useShared.ts";
import { useWhoWasFirst } from "./useWhoWasFirst.ts";

/** A draft that may say when it was, where that isn't now: a reading off a log. */
export type DatedDraft = EntryDraft & { at?: string };

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
  /**
   * Adds to the book; `ids` where the entries' ids are told by what they tick. False where it was not taken, which
   * `notice` then says. A `parcel` is sent in the entry's stead and becomes it.
   */
  book: (
    drafts: DatedDraft | DatedDraft[],
    ids?: readonly (string | undefined)[],
    parcel?: Parcel,
  ) => boolean;
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

/** Why the server would refuse one of these, as far as this browser knows the book; nothing where none. */
function refusedHere(
  entries: readonly Entry[],
  outgoing: readonly OutgoingEntry[],
  terms: BookTerms,
): string | undefined {
  let grown = entries;
  for (const [index, entry] of outgoing.entries()) {
    if (grown.some(({ id }) => id === entry.id)) continue;
    const whole: Entry = {
      ...entry,
      jobId: "",
      by: "",
      seq: Number.MAX_SAFE_INTEGER - outgoing.length + index,
    };
    const refused = admit(grown, whole, terms);
    if (refused) return refused.message;
    grown = [...grown, whole];
  }
  return undefined;
}

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
  const lastTap = useRef({ what: "", at: 0 });
  const [notice, setNotice] = useState("");
  // Before the outbox lets go of what is booked.
  useWhoWasFirst(page.names, booked, lines.booked, personId, setNotice);
  useEffect(() => outbox.settle(new Set(booked.map((entry) => entry.id))), [outbox, booked]);
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
    (drafts: DatedDraft | DatedDraft[], ids: readonly (string | undefined)[] = [], parcel?: Parcel) => {
      const list = Array.isArray(drafts) ? drafts : [drafts];
      const now = Date.now();
      const what = JSON.stringify(list);
      const ticks = ids.filter((id) => id !== undefined);
      const isTickedAlready = ticks.length > 0 && ticks.every((id) => known.current.has(id));
      const isSameTap = what === lastTap.current.what && now - lastTap.current.at < SAME_TAP_MS;
      if (isTickedAlready || (isSameTap && !list.every(isCounted))) {
        setNotice(
          isTickedAlready ? "That is ticked already: booked once." : "The same tap twice: booked once.",
        );
        return false;
      }
      const at = new Date(now).toISOString();
      const outgoing = list.map(
        (draft, index): OutgoingEntry => ({
          ...draft,
          stage: draft.stage ?? stage,
          at: draft.at ?? at,
          id: ids[index] ?? newId(),
        }),
      );
      const refused = parcel
        ? undefined
        : refusedHere(latest.current, outgoing, {
            isSigned: page.job.signedAt !== null,
            byDesk: role === "desk",
          });
      if (refused) {
        setNotice(refused);
        return false;
      }
      for (const id of ticks) known.current.add(id);
      lastTap.current = { what, at: now };
      setNotice("");
      void outbox.add(page.job.id, outgoing, now, parcel);
      tellAct(
        outbox,
        outgoing.map(({ id }) => id),
        actWords(list, latest.current, units),
        announce,
      );
      return true;
    },
    [outbox, page.job.id, page.job.signedAt, role, stage, units],
  );
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
