import { describeEntry } from "../book/describe/index.ts";
import { Distance, factOf } from "../book/facts/index.ts";
import { format } from "../kernel/units/index.ts";
import type { Expectation, LineContext, LineDraft, LineReading } from "./line.ts";

/** A drain tap gives no more than the system holds, but for a flush or a card that is a little out. */
const MOST_OF_CAPACITY = 1.5;

/** Far more at once than the system holds: a point that wasn't typed is the usual cause, so that a tenth is offered beside it. */
function tooMuch(line: LineReading, { capacityL, system }: LineContext): Expectation | undefined {
  const { entry } = line;
  const litres =
    entry.account === "coolant" && entry.item !== "capacity" ? (entry.out ?? entry.in) : undefined;
  if (!capacityL || litres === undefined || litres <= capacityL * MOST_OF_CAPACITY || line.more.length > 0)
    return undefined;
  const tenth: LineDraft = {
    ...entry,
    ...(entry.out === undefined ? { in: litres / 10 } : { out: litres / 10 }),
  };
  return {
    expected: `how much: the system holds ${format(capacityL, "volume", system)}`,
    at: 0,
    choices: [{ entry: tenth, more: [], reading: describeEntry(tenth, system) }, line],
  };
}

function fallen(line: LineReading, { distanceTrouble }: LineContext): Expectation | undefined {
  const { entry } = line;
  if (entry.value === undefined || !(factOf(entry)?.fact instanceof Distance)) return undefined;
  const trouble = distanceTrouble?.(entry.value, entry.corrects);
  return trouble ? { expected: trouble.replace(/\.$/, ""), at: 0, choices: [line] } : undefined;
}

/** What can hardly be meant is asked back before it is booked: litres that no system holds, a distance that fell. */
export function askedBack(read: LineReading | Expectation, context: LineContext): LineReading | Expectation {
  if ("expected" in read) return read;
  return tooMuch(read, context) ?? fallen(read, context) ?? read;
}
