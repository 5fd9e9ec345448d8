import { correctedIds, type Entry, isStrike, standing } from "../entry/index.ts";
import { CorrectionReason, type FactClass, Finding, factOf, StepDone } from "../facts/index.ts";
import { balanceKey, outOpen, stepsState, thing, toGet } from "../out/index.ts";

/** Why a line may not be written at the end of a book: it meets what stands there, or names what isn't there. */
export interface NotAdmitted {
  because: "conflict" | "not found" | "not theirs";
  message: string;
}

export interface BookTerms {
  isSigned: boolean;
  /** True where the front desk writes: what an owner says and what is promised, never what was seen or done at a car. */
  byDesk?: boolean;
}

type Judge = (entry: Entry, book: readonly Entry[], terms: BookTerms) => NotAdmitted | undefined;

const conflict = (message: string): NotAdmitted => ({ because: "conflict", message });
const notFound = (message: string): NotAdmitted => ({ because: "not found", message });

/** What the front desk may write: words, and what a fact says is an owner's to say. */
export function isOwners(entry: Entry): boolean {
  const said = factOf(entry);
  return said ? said.kind.isOwners === true : entry.kind === "note";
}

/** Of a correction the line that was wrong first. */
function firstOf(entry: Entry, book: readonly Entry[]): Entry {
  const named = book.find(({ id }) => id === entry.corrects);
  return named ? firstOf(named, book) : entry;
}

const isNotTheirs: Judge = (entry, book, { byDesk }) =>
  byDesk && !(isOwners(firstOf(entry, book)) && (isStrike(entry) || isOwners(entry)))
    ? {
        because: "not theirs",
        message:
          "The front desk writes what an owner says, what is promised and notes. What was seen or done at the car is the technicians' to write.",
      }
    : undefined;

/** After the signature a book takes corrections, and what is said of it afterwards. */
const isLocked: Judge = (entry, _, { isSigned }) =>
  isSigned && !entry.corrects && !factOf(entry)?.kind.isAfterwards
    ? conflict("The job is signed. It takes corrections only: name the line that was wrong.")
    : undefined;

/** A correction names a line that counts, that may be corrected, and that is not a verdict already signed for. */
const isWrongCorrection: Judge = (entry, book, { isSigned }) => {
  if (!entry.corrects) return undefined;
  const named = book.find((each) => each.id === entry.corrects);
  if (!named) return notFound("The line to correct is not here.");
  if (correctedIds(book).has(named.id))
    return conflict("That line has been corrected already. Correct the later one.");
  const kind = factOf(named)?.kind;
  if (!kind?.staysBecause) return undefined;
  if (kind.isServers) return conflict(`${kind.staysBecause}.`);
  const isFindings = kind === (Finding as FactClass);
  const isAnother = factOf(entry)?.kind === kind;
  return isFindings && !isAnother && (isSigned || !isStrike(entry))
    ? conflict(`${kind.staysBecause}.`)
    : undefined;
};

/** Nothing counted goes back that isn't out at that moment: so nothing is ticked twice, by whomever. */
const isTooMuchBack: Judge = (entry, book) => {
  if (entry.corrects || entry.kind !== "movement" || entry.account === "coolant" || !entry.in)
    return undefined;
  const open = outOpen(book, entry);
  if (entry.in <= open) return undefined;
  const what = thing(entry);
  const isAwaited = toGet(book).some(({ isHere, key }) => !isHere && key === balanceKey(entry));
  if (isAwaited)
    return conflict(
      `${what}: ${open} out, and another is to get. Say first that it is here, then put it back.`,
    );
  return conflict(
    open > 0
      ? `Only ${open} of ${what} is out, so ${entry.in} can't go back.`
      : `${what} is back already, or was never written out.`,
  );
};

/** What may stand once only stands once, what is said of another line is said of one that stands, and no end is contradicted unawares. */
const isAgainstFacts: Judge = (entry, book) => {
  const said = factOf(entry);
  if (!said) return undefined;
  const { kind, fact } = said;
  const about = kind.about?.(fact);
  if (about) {
    const named = standing(book).find((each) => each.id === about.id);
    if (!named || factOf(named)?.kind.fact !== about.fact) return notFound(about.refusal);
  }
  const others = standing(book).filter((each) => each.id !== entry.corrects);
  const once = kind.once?.(fact);
  const before =
    once &&
    others.findLast((each) => {
      const other = factOf(each);
      return other?.kind === kind && kind.once?.(other.fact).key === once.key;
    });
  const lastOf = (against: ReturnType<NonNullable<typeof kind.against>>) =>
    against &&
    others.findLast((each) => {
      const other = factOf(each);
      return other?.kind.fact === against.fact && (other.fact as { part?: string }).part === against.part;
    });
  // What was said after all since then may be said after all again.
  const since = before && lastOf(kind.against?.({ ...fact, afterAll: false }));
  if (before && !(since && since.order > before.order)) return conflict(once.refusal);
  const opposite = lastOf(kind.against?.(fact));
  return opposite
    ? conflict(
        `Somebody has said of it: ${opposite.text ?? "the opposite"}. Take that back, or say “after all”.`,
      )
    : undefined;
};

/** Why a line was corrected is said of one that was: a signed book takes no other note. */
const isLooseReason: Judge = (entry, book) => {
  const fact = factOf(entry)?.fact;
  return fact instanceof CorrectionReason && !book.some(({ corrects }) => corrects === fact.line)
    ? notFound("That line was not corrected, so there is no reason to give.")
    : undefined;
};

/** A step is done again once it is back, and not before. */
const isStepDoneAlready: Judge = (entry, book) => {
  const said = factOf(entry)?.fact;
  if (!(said instanceof StepDone) || entry.corrects) return undefined;
  return stepsState(book).some(({ step, isDone }) => isDone && step === said.step)
    ? conflict("That step is done already.")
    : undefined;
};

const JUDGES: readonly Judge[] = [
  isNotTheirs,
  isStepDoneAlready,
  isLocked,
  isWrongCorrection,
  isTooMuchBack,
  isAgainstFacts,
  isLooseReason,
];

/**
 * Why an entry may not be written at the end of this book, in words; nothing where it may. The one place that says so: asked by
 * the browser before it books and by the server before it writes. A job file is read in as it was admitted elsewhere.
 */
export function admit(book: readonly Entry[], entry: Entry, terms: BookTerms): NotAdmitted | undefined {
  for (const judge of JUDGES) {
    const refusal = judge(entry, book, terms);
    if (refusal) return refusal;
  }
  return undefined;
}
