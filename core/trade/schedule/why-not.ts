import type { DayAct, DayGiven } from "./day.ts";

const NOT_SO_FAR = "what it comes after doesn't fit today";

/** Why an act lies nowhere in the day; `isReady` where what it comes after does. */
export function whyNot(act: DayAct, isReady: boolean, { people, lifts }: DayGiven): string {
  if (act.by !== undefined && !people.some(({ id }) => id === act.by))
    return `it is held to ${act.by}, who isn't here`;
  if (people.length < (act.people ?? 1))
    return people.length === 0 ? "nobody is here" : "it wants two people, and one is here";
  if (act.lift && lifts === 0) return "it wants a lift, and there is none";
  if (!isReady) return NOT_SO_FAR;
  if (act.by !== undefined)
    return `it is held to ${act.by}, who has no ${act.minutes} minutes in one go left for it today`;
  return `its ${act.minutes} minutes don't fit today any more`;
}

/** The same for an act that is held to a time; `isFree` where somebody would be there. */
export function whyNotHeld(by: string | undefined, isReady: boolean, isFree: boolean): string {
  if (!isReady) return NOT_SO_FAR;
  if (isFree) return "it is held to a time before its own work is that far";
  return by === undefined
    ? "nobody is free at the time that it is held to"
    : `it is held to ${by}, who isn't free at its time`;
}
