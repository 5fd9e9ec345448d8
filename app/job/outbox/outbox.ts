import type { Entry, EntryDraft, Stage } from "../../../core/ledger/index.ts";

/** An entry as it is sent: whole but for its number and its name, which the server gives. */
export type OutgoingEntry = EntryDraft & { id: string; stage: Stage; at: string };

/** An entry typed here that the server doesn't have yet. */
export interface Unsent {
  jobId: string;
  personId: string;
  entry: OutgoingEntry;
  /** Its place in the order of typing. */
  order: number;
  /** Why the server refused it; it stays until somebody takes it back. */
  refused?: string;
}

export interface UnsentStore {
  all: () => Promise<Unsent[]>;
  put: (unsent: Unsent) => Promise<void>;
  remove: (id: string) => Promise<void>;
}

export type Answer = "booked" | "unreachable" | "signed-out" | { refused: string };

export interface OutboxState {
  unsent: readonly Unsent[];
  /** Booked, and shown from here until the page has the server's own lines, so that none blinks out in between. */
  booked: readonly Unsent[];
  /** True while the last try found no server. */
  isCutOff: boolean;
  /** True once what an earlier visit left behind has been read. */
  isLoaded: boolean;
}

interface Given {
  store: UnsentStore;
  send: (unsent: Unsent) => Promise<Answer>;
  personId: string;
  /** Told after entries were booked; their lines leave the outbox once it has settled. */
  onBooked: () => Promise<void>;
}

/**
 * What was typed and isn't booked: kept in the browser before it is sent, sent in order one by one, taken out only when
 * the server has answered. The entry's own id makes a second sending harmless.
 */
export class Outbox {
  private state: OutboxState = { unsent: [], booked: [], isCutOff: false, isLoaded: false };
  private readonly listeners = new Set<() => void>();
  private isSending = false;

  constructor(private readonly given: Given) {}

  readonly snapshot = (): OutboxState => this.state;

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  private change(part: Partial<OutboxState>): void {
    this.state = { ...this.state, ...part };
    for (const listener of this.listeners) listener();
  }

  /** Reads what an earlier visit left behind, then tries to send it. */
  async load(): Promise<void> {
    const kept = await this.given.store.all();
    const known = new Set(this.state.unsent.map(({ entry }) => entry.id));
    const older = kept.filter(({ entry }) => !known.has(entry.id));
    this.change({
      unsent: [...older, ...this.state.unsent].sort((a, b) => a.order - b.order),
      isLoaded: true,
    });
    await this.flush();
  }

  /** Keeps entries and sends them. The same id again changes nothing. */
  async add(jobId: string, entries: readonly OutgoingEntry[], order: number): Promise<void> {
    const known = new Set([...this.state.unsent, ...this.state.booked].map(({ entry }) => entry.id));
    const added = entries
      .filter((entry) => !known.has(entry.id))
      .map(
        (entry, index): Unsent => ({
          jobId,
          personId: this.given.personId,
          entry,
          order: order + index / 1000,
        }),
      );
    if (added.length === 0) return;
    this.change({ unsent: [...this.state.unsent, ...added] });
    for (const unsent of added) await this.given.store.put(unsent);
    await this.flush();
  }

  /** Lets go of booked entries that the page now has from the server. */
  settle(ids: ReadonlySet<string>): void {
    const rest = this.state.booked.filter(({ entry }) => !ids.has(entry.id));
    if (rest.length < this.state.booked.length) this.change({ booked: rest });
  }

  /** Takes a refused entry back. */
  async discard(id: string): Promise<void> {
    await this.given.store.remove(id);
    this.change({ unsent: this.state.unsent.filter(({ entry }) => entry.id !== id) });
  }

  /** Sends what can be sent, in order; stops at the first that finds no server. One sending at a time. */
  async flush(): Promise<void> {
    if (this.isSending) return;
    this.isSending = true;
    let bookedAny = false;
    try {
      for (;;) {
        const next = this.state.unsent.find(
          ({ refused, personId }) => !refused && personId === this.given.personId,
        );
        if (!next) break;
        const answer = await this.given.send(next);
        if (answer === "unreachable" || answer === "signed-out") {
          this.change({ isCutOff: true });
          break;
        }
        this.change({ isCutOff: false });
        if (answer === "booked") {
          await this.given.store.remove(next.entry.id);
          bookedAny = true;
          this.change({
            unsent: this.state.unsent.filter(({ entry }) => entry.id !== next.entry.id),
            booked: [...this.state.booked, next],
          });
        } else {
          const refused = { ...next, refused: answer.refused };
          await this.given.store.put(refused);
          this.change({
            unsent: this.state.unsent.map((each) => (each.entry.id === next.entry.id ? refused : each)),
          });
        }
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
  const waiting = unsent.filter((each) => each.jobId === jobId && !each.refused && !known.has(each.entry.id));
  return [
    ...booked,
    ...waiting.map(
      (each, index): Entry => ({ ...each.entry, jobId, by: each.personId, seq: last + index + 1 }),
    ),
  ];
}
