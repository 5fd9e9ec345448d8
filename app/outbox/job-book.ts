import { v4 as newId } from "uuid";
import { admit, type BookTerms } from "../../core/book/admit/index.ts";
import { describeEntry } from "../../core/book/describe/index.ts";
import { type Entry, type EntryDraft, isStrike, type Stage } from "../../core/book/entry/index.ts";
import type { System } from "../../core/kernel/units/index.ts";
import type { Outbox, OutgoingEntry, Parcel } from "./outbox.ts";
import { tellAct } from "./tell-act.ts";

/** A draft that may say when it was, where that isn't now: a reading off a log. */
export type DatedDraft = EntryDraft & { at?: string };

/** The book as this browser knows it, and what is said of it where it stands. */
export interface Around extends BookTerms {
  jobId: string;
  stage: Stage;
  system: System;
  entries: readonly Entry[];
}

const SAME_TAP_MS = 600;

/** Counted things count every tap: two taps into a bag are two. */
const isCounted = ({ kind, account }: EntryDraft) => kind === "movement" && account !== "coolant";

/** An act in the words it is read out in: the first line, and how many came with it. */
function actWords(drafts: readonly EntryDraft[], { entries, system }: Around): string {
  const [first] = drafts;
  if (!first) return "";
  const named = first.corrects ? entries.find(({ id }) => id === first.corrects) : undefined;
  const line = isStrike(first) ? `line ${named?.seq ?? ""} struck out.` : describeEntry(first, system);
  const more = drafts.length > 1 ? ` And ${drafts.length - 1} more.` : "";
  return line.replace(/^(Out|In): /, "") + more;
}

/** Why the server would refuse one of these, as far as this browser knows the book; nothing where none. */
function refusedHere(outgoing: readonly OutgoingEntry[], around: Around): string | undefined {
  let grown = around.entries;
  for (const [index, entry] of outgoing.entries()) {
    if (grown.some(({ id }) => id === entry.id)) continue;
    const seq = Number.MAX_SAFE_INTEGER - outgoing.length + index;
    const whole: Entry = { ...entry, jobId: "", by: "", seq };
    const refused = admit(grown, whole, around);
    if (refused) return refused.message;
    grown = [...grown, whole];
  }
  return undefined;
}

/**
 * The one way to add to a job's book from this browser: takes the same tap and the same tick once, refuses what the book
 * wouldn't take, hands the rest to the outbox and has it read out. Why the last act was not taken is its notice.
 */
export class JobBook {
  private around: Around | undefined;
  private known = new Set<string>();
  private lastTap = { what: "", at: 0 };
  private said = "";
  private readonly listeners = new Set<() => void>();

  constructor(
    private readonly given: { outbox: Outbox; announce: (words: string) => void; now?: () => number },
  ) {}

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  /** Why the last act was not taken; nothing where it was. */
  readonly notice = (): string => this.said;

  readonly say = (notice: string): void => {
    if (notice === this.said) return;
    this.said = notice;
    for (const listener of this.listeners) listener();
  };

  /** Learns how the book stands now: told at every drawing, before anything is tapped on it. */
  know(around: Around): void {
    if (around.entries !== this.around?.entries) this.known = new Set(around.entries.map(({ id }) => id));
    this.around = around;
  }

  /**
   * Adds to the book; `ids` where the entries' ids are told by what they tick. False where it was not taken, which the
   * notice then says. A `parcel` is sent in the entry's stead and becomes it.
   */
  readonly book = (
    drafts: DatedDraft | DatedDraft[],
    ids: readonly (string | undefined)[] = [],
    parcel?: Parcel,
  ): boolean => {
    const { around } = this;
    if (!around) return false;
    const list = Array.isArray(drafts) ? drafts : [drafts];
    const now = (this.given.now ?? Date.now)();
    const what = JSON.stringify(list);
    const ticks = ids.filter((id) => id !== undefined);
    const isTickedAlready = ticks.length > 0 && ticks.every((id) => this.known.has(id));
    const isSameTap = what === this.lastTap.what && now - this.lastTap.at < SAME_TAP_MS;
    if (isTickedAlready) return this.refuse("That is ticked already: booked once.");
    if (isSameTap && !list.every(isCounted)) return this.refuse("The same tap twice: booked once.");
    const at = new Date(now).toISOString();
    const outgoing = list.map(
      (draft, index): OutgoingEntry => ({
        ...draft,
        stage: draft.stage ?? around.stage,
        at: draft.at ?? at,
        id: ids[index] ?? newId(),
      }),
    );
    const refused = parcel ? undefined : refusedHere(outgoing, around);
    if (refused) return this.refuse(refused);
    for (const id of ticks) this.known.add(id);
    this.lastTap = { what, at: now };
    this.say("");
    const { outbox, announce } = this.given;
    void outbox.add(around.jobId, outgoing, now, parcel);
    tellAct(
      outbox,
      outgoing.map(({ id }) => id),
      actWords(list, around),
      announce,
    );
    return true;
  };

  private refuse(why: string): false {
    this.say(why);
    return false;
  }
}
