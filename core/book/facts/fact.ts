import type { System } from "../../kernel/units/index.ts";
import type { Entry, EntryDraft, Kind } from "../entry/index.ts";

/** Fields as they are stored, before anybody has looked at them. */
export type Loose = Record<string, unknown>;

/**
 * One thing that a stage can say beyond an entry's figures. The class is the type, its class-validator decorators are
 * the checks, and everything else that belongs to it stands on the class.
 */
export interface FactClass<Fact extends object = object> {
  new (): Fact;
  /** Its name in `data.fact` and in the column of its own. Never changed once it is stored. */
  readonly fact: string;
  /** Raised when a field changes its meaning; `lift` then takes the older one up. */
  readonly version: number;
  /** The kinds of entry that may say it. */
  readonly kinds: readonly Kind[];
  /** An entry that says it, for tests and the format's schema. */
  readonly example: EntryDraft;
  /** The sentence of the book, without its full stop. */
  words(fact: Fact, entry: EntryDraft | Entry, system: System): string;
  /** Fields of the current version from an older one's, with the entry that said them; nothing where they can't be told. */
  lift?(older: Loose, version: number, entry: EntryDraft | Entry): Loose | undefined;
  /** Fields from an entry written before facts had names; nothing where it says something else. */
  liftLoose?(data: Loose, entry: EntryDraft | Entry): Loose | undefined;
  /** Another fact, with its fields, that says this in today's words; nothing where it stays this one. */
  became?(fields: Loose, entry: EntryDraft | Entry): { kind: FactClass; fields: Loose } | undefined;
  /** What may stand in the book once only: a second of the same key is refused with these words. */
  once?(fact: Fact): { key: string; refusal: string };
  /** What must not stand in the book of the same part for this to be said of it: the opposite, unless it is said after all. */
  against?(fact: Fact): { fact: string; part: string } | undefined;
  /** The entry, by its id, that must stand in the book and say `fact` before this may be said of it. */
  about?(fact: Fact): { id: string; fact: string; refusal: string };
  /** True where only the server may write it. */
  readonly isServers?: true;
  /** True where it may be said of a job that is signed. */
  readonly isAfterwards?: true;
  /** True where the front desk may write it too: what an owner says or is promised, and what a supplier says. */
  readonly isOwners?: true;
  /** Why a person may not strike or correct it by a line of their own. */
  readonly staysBecause?: string;
}
