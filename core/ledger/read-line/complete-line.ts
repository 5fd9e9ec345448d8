import { thing } from "../words.ts";
import type { LineContext } from "./line.ts";

const STARTERS = [
  "out",
  "in",
  "unplug",
  "drain",
  "spill",
  "kept",
  "missing",
  "add",
  "tool out",
  "tool in",
  "ect",
  "revs",
  "volts",
  "level line cold",
  "level min",
  "test",
  "note",
  "correct",
  "strike",
];

const MOST_SHOWN = 5;

/** Whole lines that what is typed so far may become: what is out in this job first, then the field words. */
export function completeLine(text: string, context: LineContext): string[] {
  const typed = text.trimStart().toLowerCase();
  if (typed === "") return [];
  const back = context.open.flatMap((line) => {
    const verb = line.account === "tool" ? "tool in" : "in";
    const words =
      line.place && line.account === "fastener" ? `${line.place} ${line.item}` : thing(line).replace(",", "");
    const bag = line.place.startsWith("bag ") ? [`in ${line.place}`] : [];
    return [...bag, `${verb} ${words.toLowerCase()}`];
  });
  return [...new Set([...back, ...STARTERS])]
    .filter((line) => line.startsWith(typed) && line !== typed)
    .slice(0, MOST_SHOWN);
}
