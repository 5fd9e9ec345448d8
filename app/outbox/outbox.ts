import type { Entry, EntryDraft, Stage } from "../../core/book/entry/index.ts";
import { factOf } from "../../core/book/facts/index.ts";

/** An entry as it is sent: whole but for its number and its name, which the server gives. */
export type OutgoingEntry = EntryDraft & { id: string; stage: Stage; at: string };

/**
 * What is sent in an entry's stead and becomes one: a log with its file, a signature, a job that was opened. It travels
 * under the id of the line that it becomes; a job under its own.
 */
export type Parcel =
  | { kind: "log"; name: string; bytes: Uint8Array<ArrayBuffer>; restedH?: number }
  | { kind: "picture"; bytes: Uint8Array<ArrayBuffer>; words: string; place?: string; of?: string }
  | { kind: "signature"; reason: string; openSeen: string[]; openCount: number }
  | { kind: "job"; vehicleId: string; bay: string; assignedTo: string | null }
  | { kind: "take-in"; vehicleId: string; plate: string }
  | { kind: "vehicle"; fields: Record<string, string> }
  | { kind: "level"; vehicleId: string; fields: Record<string, string> };

/** What comes before everything else of its job: until it is there, the job is nowhere. */
const OPENS_JOB: ReadonlySet<Parcel["kind"] | undefined> = new Set(["job", "take-in"] as const);
/** What becomes something else than a line of a book. */
const NO_LINE: ReadonlySet<Parcel["kind"] | undefined> = new Set([
  "job",
  "take-in",
  "vehicle",
  "level",
] as const);

/** An entry typed here that the server doesn't have yet. */
export interface Unsent {
  jobId: string;
  personId: string;
  entry: OutgoingEntry;
  parcel?: Parcel;
  /** Its place in the order of typing. */
  order: number;
  /** Why the server refused it; it stays until somebody sends it again or takes it back. */
  refused?: string;
  /** The server stumbled over this one; it is tried again, and holds nothing else up. */
  stuck?: string;
  /** The server takes it later, and why; it comes again by itself, and what goes after it waits. */
  later?: string;
}

export interface UnsentStore {
  all: () => Promise<Unsent[]>;
  put: (unsent: Unsent) => Promise<void>;
  remove: (id: string) => Promise<void>;
}

/**
 * What became of one sending. "booked", "refused" and "later" are the server's own word, and "stuck" is its own fault;
 * anything else, whatever answered, means there is no server to be had.
 */
export type Answer =
  | "booked"
  /** A car that was taken in here had a job open there: what was written for the one goes into the other. */
  | { bookedIn: string }
  | "unreachable"
  | "signed-out"
  | { refused: string }
  | { stuck: string }
  | { later: string; againInS: number };

export interface OutboxState {
  unsent: readonly Unsent[];
  /** Booked, and shown from here until the page has the server's own lines, so that none blinks out in between. */
  booked: readonly Unsent[];
  /** True while the last try found no server. */
  isCutOff: boolean;
  /** True where the server is there and the session has ended. */
  isSignedOut: boolean;
  /** True once the browser's own store has failed: what isn't sent is lost with the page. */
  isUnkept: boolean;
  /** True once what an earlier visit left behind has been read. */
  isLoaded: boolean;
}

/** Before anything was read: the same to every page, so that taking one over from the server changes nothing. */
export const NOTHING_YET: OutboxState = {
  unsent: [],
  booked: [],
  isCutOff: false,
  isSignedOut: false,
  isUnkept: false,
  isLoaded: false,
};

interface Given {
  store: UnsentStore;
  send: (unsent: Unsent) => Promise<Answer>;
  personId: string;
  /** Told after entries were booked; their lines leave the outbox once it has settled. */
  onBooked: () => Promise<void>;
  /** Told where a job that was begun here goes on: it was open there under another id. */
  onMoved?: (from: string, to: string) => void;
  /** Told what the last sending met, so that the page says so. */
  onAnswer?: (answer: Answer) => void;
  /** Milliseconds by any clock that goes on; the browser's where it isn't given. */
  now?: () => number;
}

/**
 * What was typed and isn't booked: kept in the browser before it is sent, sent in order one by one, taken out only when
 * the server has answered. The entry's own id makes a second sending harmless.
 */
export class Outbox {
  private state = NOTHING_YET;
  private readonly listeners = new Set<() => void>();
  private isSending = false;
  /** From when what was to come later may be sent again, by its id. */
  private readonly notBefore = new Map<string, number>();

  constructor(private readonly given: Given) {}

  readonly snapshot = (): OutboxState => this.state;

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  private change(part: Partial<OutboxState>): void {
    const names = Object.keys(part) as (keyof OutboxState)[];
    if (names.every((name) => this.state[name] === part[name])) return;
    this.state = { ...this.state, ...part };
    for (const listener of this.listeners) listener();
  }

  /** Keeps or forgets in the browser's store; a store that fails is said, and typing goes on without it. */
  private async keep(work: () => Promise<void>): Promise<void> {
    try {
      await work();
    } catch {
      if (!this.state.isUnkept) this.change({ isUnkept: true });
    }
  }

  private replace(next: Unsent): void {
    this.change({ unsent: this.state.unsent.map((each) => (each.entry.id === next.entry.id ? next : each)) });
  }

  /** Reads what an earlier visit left behind, then tries to send it. */
  async load(): Promise<void> {
    let kept: Unsent[] = [];
    await this.keep(async () => {
      kept = await this.given.store.all();
    });
    const known = new Set(this.state.unsent.map(({ entry }) => entry.id));
    const older = kept.filter(({ entry }) => !known.has(entry.id));
    const { unsent } = this.state;
    this.change({
      // What is as it was stays the same list: the pages that show it need not be drawn again.
      unsent: older.length === 0 ? unsent : [...older, ...unsent].sort((a, b) => a.order - b.order),
      isLoaded: true,
    });
    await this.flush();
  }

  /** Keeps entries and sends them. The same id again changes nothing. */
  async add(jobId: string, entries: readonly OutgoingEntry[], order: number, parcel?: Parcel): Promise<void> {
    const known = new Set([...this.state.unsent, ...this.state.booked].map(({ entry }) => entry.id));
    const added = entries
      .filter((entry) => !known.has(entry.id))
      .map(
        (entry, index): Unsent => ({
          jobId,
          personId: this.given.personId,
          entry,
          order: order + index / 1000,
          ...(parcel ? { parcel } : {}),
        }),
      );
    for (const { id } of entries) {
      if (this.state.unsent.some(({ entry, refused }) => entry.id === id && refused)) await this.again(id);
    }
    if (added.length === 0) return;
    this.change({ unsent: [...this.state.unsent, ...added] });
    for (const unsent of added) await this.keep(() => this.given.store.put(unsent));
    await this.flush();
  }

  /** Lets go of booked entries that the page now has from the server. */
  settle(ids: ReadonlySet<string>): void {
    const rest = this.state.booked.filter(({ entry }) => !ids.has(entry.id));
    if (rest.length < this.state.booked.length) this.change({ booked: rest });
  }

  /** Takes an entry back that the server does not have. */
  async discard(id: string): Promise<void> {
    this.change({ unsent: this.state.unsent.filter(({ entry }) => entry.id !== id) });
    await this.keep(() => this.given.store.remove(id));
  }

  /** Sends a refused or stuck entry once more. */
  async again(id: string): Promise<void> {
    const found = this.state.unsent.find(({ entry }) => entry.id === id);
    if (!found) return;
    const { refused: _, stuck: __, later: ___, ...plain } = found;
    this.notBefore.delete(id);
    this.replace(plain);
    await this.keep(() => this.given.store.put(plain));
    await this.flush();
  }

  /**
   * True where it has to go after another that isn't sent: the line that it corrects or is said of, the job that it belongs to; a
   * signature after everything else of its job.
   */
  private hasToWait({ jobId, entry, parcel }: Unsent): boolean {
    const said = factOf(entry);
    const about = said?.kind.about?.(said.fact).id;
    const others = this.state.unsent.filter((each) => each.entry.id !== entry.id);
    return others.some(
      (other) =>
        other.entry.id === entry.corrects ||
        other.entry.id === about ||
        (other.jobId === jobId &&
          (OPENS_JOB.has(other.parcel?.kind) || (parcel?.kind === "signature" && !other.refused))),
    );
  }

  /** The next to send: this person's, not refused, not tried in this round, with nothing that has to go before it. */
  private next(tried: ReadonlySet<string>): Unsent | undefined {
    return this.state.unsent.find(
      (each) =>
        !each.refused &&
        each.personId === this.given.personId &&
        !tried.has(each.entry.id) &&
        (this.notBefore.get(each.entry.id) ?? 0) <= this.now() &&
        !this.hasToWait(each),
    );
  }

  private now(): number {
    return this.given.now?.() ?? Date.now();
  }

  private async readdress(from: string, to: string): Promise<void> {
    for (const each of this.state.unsent.filter(({ jobId }) => jobId === from)) {
      const there = { ...each, jobId: to };
      this.replace(there);
      await this.keep(() => this.given.store.put(there));
    }
    this.given.onMoved?.(from, to);
  }

  private async settleOne(
    next: Unsent,
    answer: Exclude<Answer, "unreachable" | "signed-out">,
  ): Promise<void> {
    this.notBefore.delete(next.entry.id);
    if (answer === "booked" || "bookedIn" in answer) {
      await this.keep(() => this.given.store.remove(next.entry.id));
      this.change({
        unsent: this.state.unsent.filter(({ entry }) => entry.id !== next.entry.id),
        booked: [...this.state.booked, next],
      });
      if (answer !== "booked") await this.readdress(next.jobId, answer.bookedIn);
      return;
    }
    const { later: _, stuck: __, ...plain } = next;
    if ("later" in answer) {
      this.notBefore.set(next.entry.id, this.now() + answer.againInS * 1000);
      return this.replace({ ...plain, later: answer.later });
    }
    const told = { ...plain, ...answer };
    await this.keep(() => this.given.store.put(told));
    this.replace(told);
  }

  /** Sends what can be sent, in order; one that the server can't take holds nothing up. One sending at a time. */
  async flush(): Promise<void> {
    if (this.isSending) return;
    this.isSending = true;
    let bookedAny = false;
    try {
      const tried = new Set<string>();
      for (let next = this.next(tried); next; next = this.next(tried)) {
        const { id } = next.entry;
        tried.add(id);
        const answer = await this.given.send(next);
        this.given.onAnswer?.(answer);
        if (answer === "unreachable" || answer === "signed-out") {
          this.change({ isCutOff: true, isSignedOut: answer === "signed-out" });
          break;
        }
        this.change({ isCutOff: false, isSignedOut: false });
        bookedAny ||= answer === "booked" || "bookedIn" in answer;
        // Taken back while it was on its way: what the server says of it is for the page to show.
        if (this.state.unsent.some(({ entry }) => entry.id === id)) await this.settleOne(next, answer);
      }
    } finally {
      this.isSending = false;
    }
    if (bookedAny) await this.given.onBooked();
  }
}

/** A job's book as this browser knows it: what the server has, then what is still to be sent. */
export function withUnsent(booked: readonly Entry[], unsent: readonly Unsent[], jobId: string): Entry[] {
  const known = new Set(booked.map((entry) => entry.id));
  const last = booked.at(-1)?.seq ?? 0;
  const waiting = unsent.filter(
    (each) =>
      each.jobId === jobId && !each.refused && !NO_LINE.has(each.parcel?.kind) && !known.has(each.entry.id),
  );
  return [
    ...booked,
    ...waiting.map(
      (each, index): Entry => ({ ...each.entry, jobId, by: each.personId, seq: last + index + 1 }),
    ),
  ];
}
