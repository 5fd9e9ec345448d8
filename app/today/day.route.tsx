import { data } from "react-router";
import { promisedReady } from "../../core/book/acts/index.ts";
import { standing } from "../../core/book/entry/index.ts";
import { holdPiece, letGo } from "../../server/books/day/hold-piece.ts";
import { backAgain, noteAway } from "../../server/books/day/note-away.ts";
import { notFound, Refusal } from "../../server/desk/refusal.ts";
import { readBook } from "../../server/entries/read-books.ts";
import { recordEntries } from "../../server/entries/record-entries.ts";
import { checkForm } from "../desk/forms.ts";
import { guarded } from "../desk/guard.server.ts";
import { readJson } from "../desk/read-body.server.ts";
import { keptPosting } from "../kept/posting.ts";
import { clockOf, dayOf } from "../ui/dates.ts";
import { AwayForm, BackForm, DAY_FORMS, HoldForm, LetGoForm, PromiseForm } from "./day.form.ts";

export const loader = guarded("desk", async () => {
  throw notFound("A page at this address");
});

function formOf(given: unknown) {
  const what = (given as { what?: unknown } | null)?.what;
  const form =
    typeof what === "string" && Object.hasOwn(DAY_FORMS, what)
      ? DAY_FORMS[what as keyof typeof DAY_FORMS]
      : undefined;
  if (!form) throw new Refusal({ message: "That can't be done to a day." });
  const checked = checkForm<object>(form, given);
  if (checked.fields)
    throw new Refusal({ message: Object.values(checked.fields).join(" "), fields: checked.fields });
  return checked.value;
}

/** What is arranged by hand: held and let go, away and back, and what an owner was told. Only the last is a line of a book. */
export const action = guarded("desk", async ({ request, desk, member }) => {
  const form = formOf(await readJson(request));
  if (form instanceof HoldForm) await desk((given) => holdPiece(given, form));
  else if (form instanceof LetGoForm) await desk((given) => letGo(given, form));
  else if (form instanceof AwayForm) await desk((given) => noteAway(given, form));
  else if (form instanceof BackForm) await desk((given) => backAgain(given, form.id));
  else if (form instanceof PromiseForm) {
    const { id, jobId, at } = form;
    const words = `${dayOf(at, member.timeZone)}, ${clockOf(at, member.timeZone)}`;
    await desk(async (given) => {
      // The job stays where it is: its last line says at which stage.
      const stage = standing(await readBook(given, jobId)).at(-1)?.stage ?? "ask";
      const entry = { ...promisedReady(at, words), id, stage, at: given.now.toISOString() };
      return recordEntries(given, jobId, [entry], { byDesk: member.role === "desk" });
    });
  }
  return data({ done: true });
});

export const clientAction = keptPosting();
