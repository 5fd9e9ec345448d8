import { admit, type BookTerms } from "../../core/book/admit/index.ts";
import type { Entry } from "../../core/book/entry/index.ts";
import { Refusal } from "../desk/refusal.ts";

const STATUS = { conflict: 409, "not found": 404, "not theirs": 403 } as const;

/** Throws the refusal where an entry can't be booked at the end of this book. */
export function refuseEntry(entry: Entry, book: readonly Entry[], terms: BookTerms): void {
  const refused = admit(book, entry, terms);
  if (refused) throw new Refusal({ status: STATUS[refused.because], message: refused.message });
}
