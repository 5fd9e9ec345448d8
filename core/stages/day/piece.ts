import type { Stage } from "../../book/entry/index.ts";

/** A piece of a job's work that is done in one go: what is laid over people and hours. */
export interface Piece {
  /** The same for as long as it is the same piece, however much of it is done. */
  id: string;
  stage: Stage;
  /** What to do, as one short order. */
  what: string;
  /** Hands on it, minutes: what is left of it. */
  minutes: number;
  people: 1 | 2;
  /** Pieces of the same job that come before. */
  after: readonly string[];
  /** What passes by itself behind it, before what comes after it: minutes, and in words. */
  rest?: { minutes: number; words: string };
  /** Whoever does that piece before it does this too, if they can. */
  same?: string;
  /** The engine runs for it. */
  isHot?: true;
  /** The car stands up in the air for it. */
  isRaised?: true;
  /** ISO 8601: not before, and what it waits for until then. */
  notBefore?: { at: string; words: string };
  /** Why nobody knows when it may be begun: it is laid on no day. */
  isHeld?: string;
  /** What comes behind it nobody knows before it is done. */
  isOpenEnded?: true;
  /** Who is at it: their lines of the last minutes are of it. */
  by?: string;
  /** ISO 8601: a clock runs for it since then. */
  since?: string;
}

/** Pieces put one behind another. */
export class Chain {
  readonly pieces: Piece[] = [];
  /** What the next one comes after. */
  private last: readonly string[] = [];
  private readonly beside = new Set<string>();

  /** Puts a piece behind the last, and behind whatever else it names. */
  add(piece: Omit<Piece, "after">, alsoAfter: readonly string[] = []): void {
    for (const id of alsoAfter) this.beside.delete(id);
    // What runs already came after nothing that is still to be done.
    const after = piece.since ? [] : [...new Set([...this.last, ...alsoAfter])];
    this.pieces.push({ ...piece, after });
    this.last = [piece.id];
  }

  /** Puts a piece beside what comes next: it holds up what names it, and whatever comes after `join`. */
  putBeside(piece: Omit<Piece, "after">): void {
    this.pieces.push({ ...piece, after: this.last });
    this.beside.add(piece.id);
  }

  /** What comes now waits for all that went on beside it too. */
  join(): void {
    this.last = [...this.last, ...this.beside];
    this.beside.clear();
  }
}
