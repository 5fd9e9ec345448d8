import { IsIn, IsNumber, IsOptional, IsString, Length, Matches, Max, Min, ValidateBy } from "class-validator";
import { dayWords } from "../../kernel/days/index.ts";
import { format, type System } from "../../kernel/units/index.ts";
import type { EntryDraft } from "../entry/index.ts";
import { IsDay } from "./day.ts";

export const FOLLOW_UP_DOES = ["promised", "moved", "done", "dropped"] as const;

const LEAST_LETTERS = 3;
const MOST_LETTERS = 300;

/** A promise is moved or dropped with a reason. */
const SaysWhy = (): PropertyDecorator =>
  ValidateBy({
    name: "saysWhy",
    validator: {
      validate: (does: unknown, args) => {
        const { because } = (args?.object ?? {}) as { because?: unknown };
        const isBound = does === "moved" || does === "dropped";
        return !isBound || (typeof because === "string" && because.trim().length >= LEAST_LETTERS);
      },
      defaultMessage: () => `Why, in ${LEAST_LETTERS} letters or more.`,
    },
  });

/** A second look that is promised, moved to another day, done, or dropped with a reason. It may be said after the signature. */
export class FollowUpSaid {
  /** Which one: the shop's rule, or an id of its own where somebody thought of it. */
  @IsString()
  @Length(1, 40, { message: "Which second look, in 1 to 40 letters." })
  @Matches(/^[a-z0-9-]+$/i, { message: "Which second look: letters, figures and dashes." })
  key: string;

  @SaysWhy()
  @IsIn(FOLLOW_UP_DOES, { message: "promised, moved, done or dropped." })
  does: (typeof FOLLOW_UP_DOES)[number];

  /** What is looked at. */
  @IsString()
  @Length(1, 120, { message: "What is looked at, in 1 to 120 letters." })
  what: string;

  /** By when, a day such as 2031-03-06. */
  @IsOptional()
  @IsDay({ message: "A day, such as 2031-03-06." })
  on?: string;

  /** km that the vehicle has run by then at the latest. */
  @IsOptional()
  @IsNumber({ allowNaN: false, allowInfinity: false }, { message: "A distance in km." })
  @Min(0, { message: "A distance from 0 up." })
  @Max(5_000_000, { message: "A distance of at most 5 000 000 km." })
  byKm?: number;

  /** Why it was moved or dropped, or what was seen. */
  @IsOptional()
  @IsString()
  @Length(1, MOST_LETTERS, { message: `Why, in at most ${MOST_LETTERS} letters.` })
  because?: string;

  static readonly fact = "follow-up";
  static readonly version = 1;
  static readonly kinds = ["decision"] as const;
  static readonly isOwners = true;
  static readonly example: EntryDraft = {
    kind: "decision",
    item: "second look",
    text: "promised: level again, by 2031-03-13 or 184720 km",
    data: {
      fact: "follow-up",
      v: 1,
      key: "level-again",
      does: "promised",
      what: "level again, and under it for trails",
      on: "2031-03-13",
      byKm: 184_720,
    },
  };
  /** What is promised for after the signature is said after it. */
  static readonly isAfterwards = true;
  /** From its own fields, so that days and distances stand as the shop writes them. */
  static words = ({ does, what, on, byKm, because }: FollowUpSaid, _: EntryDraft, system: System) => {
    const isAhead = does === "promised" || does === "moved";
    const when = [on && `by ${dayWords(on)}`, byKm !== undefined && `at ${format(byKm, "distance", system)}`];
    return [`second look ${does}: ${what}`, isAhead ? when.filter(Boolean).join(" or ") : "", because]
      .filter(Boolean)
      .join(", ");
  };
}
