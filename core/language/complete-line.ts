import { thing } from "../book/out/index.ts";
import type { LineContext } from "./line.ts";
import { readLine } from "./read-line.ts";
import { workLines } from "./read-work.ts";

/** Whole lines that need nothing of one's own; whatever wants a figure or a name is for the person to type. */
const WHOLE = ["level line cold", "level min cold", "level low cold", "level max cold", "level empty"];
const MOST_SHOWN = 5;
/** Reading back what is offered costs a moment each; more than these are never looked at. */
const MOST_TRIED = 12;

function backLines(context: LineContext): string[] {
  return context.open.flatMap((line) => {
    const verb = line.account === "tool" ? "tool in" : "in";
    const isBagged = line.place.startsWith("bag ");
    const name =
      isBagged && line.account !== "part" ? `${line.place} ${line.item}` : thing(line).replace(",", "");
    return [...(isBagged ? [`in ${line.place}`] : []), `${verb} ${name.toLowerCase()}`];
  });
}

function correctionLines({ book = [], entries = [] }: LineContext): string[] {
  const last = book.findLast(({ correctable }) => correctable)?.seq ?? entries.at(-1)?.seq;
  return last === undefined ? [] : [`strike ${last}`];
}

/** Whole lines that what is typed so far may become, each of which can be booked: what is out in this job first. */
export function completeLine(text: string, context: LineContext): string[] {
  const typed = text.trimStart().toLowerCase();
  if (typed === "") return [];
  const candidates = new Set([
    ...backLines(context),
    ...workLines(context),
    ...WHOLE,
    ...correctionLines(context),
  ]);
  return [...candidates]
    .filter((line) => line.startsWith(typed) && line !== typed)
    .slice(0, MOST_TRIED)
    .filter((line) => "entry" in readLine(line, context))
    .slice(0, MOST_SHOWN);
}
