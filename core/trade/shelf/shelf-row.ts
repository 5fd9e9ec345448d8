import {
  IsIn,
  Length,
  Max,
  MaxLength,
  Min,
  ValidateBy,
  type ValidationArguments,
  type ValidationOptions,
} from "class-validator";
import { mayBeThousands, typedFigure } from "../../kernel/csv/index.ts";
import { Reads } from "../../kernel/plain/index.ts";
import { KINDS } from "../coolant/index.ts";
import { GRADES } from "../sourcing/index.ts";

export const SHELF_KINDS = ["part", "coolant"] as const;
export type ShelfKind = (typeof SHELF_KINDS)[number];

const MOST_LETTERS = 80;
const MOST_MONEY = 1_000_000;
const MOST_GUARANTEE = 3650;
const GUARANTEE = `Days of guarantee from 0 to ${MOST_GUARANTEE}.`;

const PRICE: ValidationOptions = {
  message: ({ value }) =>
    value === 0 ? "A price of 0 is no price." : "A price above 0, such as 1149 or 1149.00.",
};

const said = (value: unknown): string => (typeof value === "string" ? value.trim().replace(/\s+/g, " ") : "");
const orNothing = (value: unknown): string | undefined => said(value) || undefined;

/** What else people write for a grade. */
const gradeOf = (value: unknown): string =>
  said(value)
    .toLowerCase()
    .replace(/[’‘]/g, "'")
    .replace(/^makers?$/, "maker's")
    .replace(/^all metal$/, "all-metal");

/** An amount or a count, with a mark of money or without; no figure where it is none, and nothing where nothing is typed. */
function figureOf(value: unknown): number | undefined {
  const plain = said(value).replace(/^[€$£]\s?|\s?[€$£]$/g, "");
  if (plain === "") return undefined;
  return mayBeThousands(plain) ? Number.NaN : (typedFigure(plain) ?? Number.NaN);
}

const gradesOf = (kind?: ShelfKind): readonly string[] => (kind === "coolant" ? KINDS : GRADES);

const kindOf = (at?: ValidationArguments) => (at?.object as ShelfRow | undefined)?.kind;

/** A check of a field that depends on whether the row is a part or a coolant. */
const ByKind = (
  name: string,
  validate: (value: unknown, kind?: ShelfKind) => boolean,
  words: (kind?: ShelfKind) => string,
) =>
  ValidateBy({
    name,
    validator: {
      validate: (value, at) => validate(value, kindOf(at)),
      defaultMessage: (at) => words(kindOf(at)),
    },
  });

/**
 * One row of a parts list by the names of its columns, as it is typed: money in whole units of the shop's currency, guarantees and
 * waits in days. What is left empty is a part, has no freight, no approval and no guarantee; nothing else may be empty.
 */
export class ShelfRow {
  @Reads((value) => orNothing(value)?.toLowerCase())
  @IsIn(SHELF_KINDS, { message: "A part or a coolant." })
  kind: ShelfKind = "part";

  @Reads(said)
  @Length(1, MOST_LETTERS, { message: `What it is, 1 to ${MOST_LETTERS} letters.` })
  item: string;

  @Reads(gradeOf)
  @ByKind(
    "isGradeOfKind",
    (grade, kind) => gradesOf(kind).includes(String(grade)),
    (kind) => `One of: ${gradesOf(kind).join(", ")}.`,
  )
  grade: string;

  @Reads(said)
  @Length(1, MOST_LETTERS, { message: `The supplier, 1 to ${MOST_LETTERS} letters.` })
  supplier: string;

  @Reads(figureOf)
  @Min(Number.MIN_VALUE, PRICE)
  @Max(MOST_MONEY, PRICE)
  price: number;

  @Reads(figureOf)
  @Min(0, { message: "Freight from 0." })
  @Max(MOST_MONEY, { message: `Freight up to ${MOST_MONEY}.` })
  freight = 0;

  @Reads(figureOf)
  @Min(0, { message: "Days from 0 to 365." })
  @Max(365, { message: "Days from 0 to 365." })
  days: number;

  @Reads(figureOf)
  @Min(0, { message: GUARANTEE })
  @Max(MOST_GUARANTEE, { message: GUARANTEE })
  part_guarantee_days = 0;

  @Reads(figureOf)
  @Min(0, { message: GUARANTEE })
  @Max(MOST_GUARANTEE, { message: GUARANTEE })
  labour_guarantee_days = 0;

  @Reads(said)
  @ByKind(
    "isOfCoolant",
    (approval, kind) => approval === "" || kind === "coolant",
    () => "Only a coolant carries an approval.",
  )
  @MaxLength(MOST_LETTERS, { message: `At most ${MOST_LETTERS} letters.` })
  approval = "";
}

/** The columns of a parts list, in and out. */
export const SHELF_COLUMNS = [
  "kind",
  "item",
  "grade",
  "supplier",
  "price",
  "freight",
  "days",
  "part_guarantee_days",
  "labour_guarantee_days",
  "approval",
] as const satisfies readonly (keyof ShelfRow)[];
export type ShelfColumn = (typeof SHELF_COLUMNS)[number];
