import { CorrectionReason, type FactClass, Finding, factOf } from "../../core/facts/index.ts";
import { correctedIds, type Entry, isStrike, outOpen, standing, thing } from "../../core/ledger/index.ts";
import { notFound, Refusal } from "../refusal.ts";

const conflict = (message: string) => new Refusal({ status: 409, message });

/** A correction names a line that counts, that may be corrected, and that is not a verdict already signed for. */
function refuseWrongCorrection(entry: Entry, book: readonly Entry[], isSigned: boolean): void {
  if (!entry.corrects) return;
  const named = book.find((each) => each.id === entry.corrects);
  if (!named) throw notFound("The line to correct");
  if (correctedIds(book).has(named.id))
    throw conflict("That line has been corrected already. Correct the later one.");
  const kind = factOf(named)?.kind;
  if (!kind?.staysBecause) return;
  if (kind.isServers) throw conflict(`${kind.staysBecause}.`);
  const isFindings = kind === (Finding as FactClass);
  const isAnother = factOf(entry)?.kind === kind;
  if (isFindings && !isAnother && (isSigned || !isStrike(entry))) throw conflict(`${kind.staysBecause}.`);
}

/** Nothing counted goes back that isn't out at that moment: so nothing is ticked twice, by whomever. */
function refuseTooMuchBack(entry: Entry, book: readonly Entry[]): void {
  if (entry.corrects || entry.kind !== "movement" || entry.account === "coolant" || !entry.in) return;
  const open = outOpen(book, entry);
  if (entry.in <= open) return;
  const what = thing(entry);
  throw conflict(
    open > 0
      ? `Only ${open} of ${what} is out, so ${entry.in} can't go back.`
      : `${what} is back already, or was never written out.`,
  );
}

/** What may stand once only stands once, and what is said of another line is said of one that stands. */
function refuseByFact(entry: Entry, book: readonly Entry[]): void {
  const said = factOf(entry);
  if (!said) return;
  const { kind, fact } = said;
  const about = kind.about?.(fact);
  if (about) {
    const named = standing(book).find((each) => each.id === about.id);
    if (!named || factOf(named)?.kind.fact !== about.fact)
      throw new Refusal({ status: 404, message: about.refusal });
  }
  const once = kind.once?.(fact);
  const isThere =
    once &&
    standing(book).some((each) => {
      const other = each.id === entry.corrects ? undefined : factOf(each);
      return other?.kind === kind && kind.once?.(other.fact).key === once.key;
    });
  if (isThere) throw conflict(once.refusal);
}

/** Why a line was corrected is said of one that was: a signed book takes no other note. */
function refuseLooseReason(entry: Entry, book: readonly Entry[]): void {
  const fact = factOf(entry)?.fact;
  if (fact instanceof CorrectionReason && !book.some(({ corrects }) => corrects === fact.line))
    throw new Refusal({
      status: 404,
      message: "That line was not corrected, so there is no reason to give.",
    });
}

/** Throws the refusal where an entry can't be booked at the end of this book. */
export function refuseEntry(entry: Entry, book: readonly Entry[], isSigned: boolean): void {
  refuseWrongCorrection(entry, book, isSigned);
  refuseTooMuchBack(entry, book);
  refuseByFact(entry, book);
  refuseLooseReason(entry, book);
}
