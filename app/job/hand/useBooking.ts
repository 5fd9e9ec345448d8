import { useState } from "react";
import { readShown, type System, toShown } from "../../../core/kernel/units/index.ts";
import type { Act, Choice, Field, Said } from "../../../core/stages/next/index.ts";
import { fallenDistance } from "../../../core/state/index.ts";
import { readDistance } from "../../../core/trade/car/index.ts";
import { useDraft } from "../../drafts/useDraft.ts";
import { useJob } from "../stage/context.ts";
import { tickIds } from "../stage/tick-id.ts";

const DIGITS = 3;

/** What the program knows already, as it stands in the field. */
function knownIn(field: Field | undefined, system: System): string {
  if (!field?.known) return "";
  if (field.kind === "words") return field.known.value;
  const shown = toShown(field.known.value, field.dimension, system);
  return String(field.dimension === "distance" ? Math.round(shown) : Number(shown.toFixed(DIGITS)));
}

/** What was typed, in core units; nothing where it is empty or can't be. */
function readSaid(field: Field, text: string, system: System): Said | undefined {
  const typed = text.trim();
  if (typed === "") return undefined;
  if (field.kind === "words") return typed.length <= field.most ? { words: typed } : undefined;
  const figure =
    field.dimension === "distance" ? readDistance(typed, system) : readShown(typed, field.dimension, system);
  return figure !== undefined && figure >= field.least && figure <= field.most ? { figure } : undefined;
}

/** The booking of an act: what is typed with it, kept as it is typed, and what each choice books. */
export function useBooking(act: Act) {
  const { page, entries, system, book, mayBook } = useJob();
  const { field } = act;
  const known = knownIn(field, system);
  const [typed, setText] = useDraft<string | undefined>(`hand:${page.job.id}:${act.id}`, undefined);
  const [isAsked, setAsked] = useState(false);
  const text = typed ?? known;
  const said = field && readSaid(field, text, system);
  const isWrong = field !== undefined && text.trim() !== "" && !said;
  const isMissing = isAsked && field !== undefined && text.trim() === "";
  const take = ({ wants, lines }: Choice): boolean => {
    if (!mayBook || isWrong || (wants && !said)) {
      setAsked(true);
      return false;
    }
    const drafts = lines(said ?? {});
    const isBooked = book(drafts, tickIds(page.job.id, entries, drafts));
    if (isBooked) setText(undefined);
    setAsked(false);
    return isBooked;
  };
  const isDistance = field?.kind === "figure" && field.dimension === "distance";
  const doubt =
    isDistance && said?.figure !== undefined
      ? fallenDistance(entries, page, { km: said.figure }, system)?.words
      : undefined;
  return { doubt, text, setText, isKnown: typed === undefined && known !== "", isWrong, isMissing, take };
}
