import { IsIn, IsInt, IsOptional, Matches, Max, Min } from "class-validator";
import { Reads } from "../../core/kernel/plain/index.ts";
import type { ShopHours } from "../../core/stages/day/index.ts";

const CLOCK = /^([01]\d|2[0-3]):[0-5]\d$/;
const unless = (value: unknown) => (value === "" ? undefined : value);

/** When the shop is open, and what it has: which days stands beside, one box each. */
export class HoursForm {
  @Matches(CLOCK, { message: "A time, such as 08:00." })
  opens: string;

  @Matches(CLOCK, { message: "A time, such as 17:00." })
  closes: string;

  @Reads(unless)
  @IsOptional()
  @Matches(CLOCK, { message: "A time, such as 12:00." })
  breakFrom?: string;

  @Reads(unless)
  @IsOptional()
  @Matches(CLOCK, { message: "A time, such as 12:30." })
  breakTo?: string;

  @Reads((value) => Number(value))
  @IsInt({ message: "A whole number, 0 where there is none." })
  @Min(0, { message: "0 where there is none." })
  @Max(40, { message: "At most 40." })
  lifts: number;

  @Reads((value) => String(value).split(",").filter(Boolean).map(Number))
  @IsIn([1, 2, 3, 4, 5, 6, 7], { each: true, message: "Days of the week." })
  days: number[];
}

/** What was sent as the shop's hours, or what is wrong with it, by field. */
export function hoursFrom(form: HoursForm): { hours: ShopHours } | { fields: Record<string, string> } {
  const { opens, closes, breakFrom, breakTo, lifts, days } = form;
  if (days.length === 0) return { fields: { days: "One day at least." } };
  if (closes <= opens) return { fields: { closes: "Later than it opens." } };
  if ((breakFrom === undefined) !== (breakTo === undefined))
    return { fields: { breakTo: "From when to when, or neither." } };
  if (breakFrom !== undefined && breakTo !== undefined && breakTo <= breakFrom)
    return { fields: { breakTo: "Later than it begins." } };
  const breaks = breakFrom && breakTo ? [{ from: breakFrom, to: breakTo }] : [];
  return { hours: { days: [...new Set(days)].sort(), opens, closes, breaks, lifts } };
}
