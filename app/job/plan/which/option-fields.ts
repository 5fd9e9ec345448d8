import { mayBeThousands, typedFigure } from "../../../../core/kernel/csv/index.ts";
import type { LifeHere } from "../../../../core/stages/earlier-jobs/index.ts";
import type { ShelfItem } from "../../../../core/trade/shelf/index.ts";
import {
  GRADES,
  type Grade,
  type Option,
  type Terms,
  USUAL_BY_GRADE,
  USUAL_DRAWS,
} from "../../../../core/trade/sourcing/index.ts";

/** An option as it is typed. */
export interface OptionFields {
  id: string;
  grade: string;
  supplier: string;
  price: string;
  freight: string;
  days: string;
  partDays: string;
  labourDays: string;
}

/** What they are all held against, as it is typed. */
export interface TermsFields {
  hours: string;
  hourPrice: string;
  dayPrice: string;
  months: string;
}

export type OptionTroubles = Partial<Record<keyof OptionFields, string>>;
export type TermsTroubles = Partial<Record<keyof TermsFields, string>>;

export const MOST_OPTIONS = 5;
const DAYS_A_MONTH = 30.4;

export const isGrade = (text: string): text is Grade => (GRADES as readonly string[]).includes(text);

/** An empty column, with what a grade's supplier usually guarantees. */
export const emptyOption = (id: string, grade: Grade): OptionFields => ({
  id,
  grade,
  supplier: "",
  price: "",
  freight: "",
  days: "",
  partDays: String(USUAL_BY_GRADE[grade].guarantee.partDays),
  labourDays: String(USUAL_BY_GRADE[grade].guarantee.labourDays),
});

/** What is on the shelf as an option, as it would be typed. */
export const fromShelf = (
  { item, grade, supplier, priceCents, freightCents, days, partDays, labourDays }: ShelfItem,
  digits: number,
): OptionFields => ({
  id: `${item} ${grade} ${supplier}`,
  grade,
  supplier,
  price: (priceCents / 10 ** digits).toFixed(digits),
  freight: (freightCents / 10 ** digits).toFixed(digits),
  days: String(days),
  partDays: String(partDays),
  labourDays: String(labourDays),
});

export const START: { options: OptionFields[]; terms: TermsFields } = {
  options: [emptyOption("1", "maker's"), emptyOption("2", "pattern")],
  terms: { hours: "3", hourPrice: "60", dayPrice: "40", months: "24" },
};

class Reader<Names extends string> {
  readonly troubles: Partial<Record<Names, string>> = {};

  figure(name: Names, text: string, low: number, high: number, sentence: string): number {
    const read = typedFigure(text) ?? Number.NaN;
    if (!(read >= low && read <= high)) this.troubles[name] = sentence;
    return read;
  }

  /** "1,149" is a thousand there and little more than one here: neither is taken for the other. */
  money(name: Names, text: string, digits: number, low: number, sentence: string): number {
    if (mayBeThousands(text)) this.troubles[name] = "Write it as 1149 or 1149.00.";
    return Math.round(this.figure(name, text, low, 1_000_000, sentence) * 10 ** digits);
  }
}

/**
 * A typed column as an option, or what is wrong beside each of its fields. Money in the shop's currency, of which
 * `digits` decimals are minor units.
 */
export function readOption(
  fields: OptionFields,
  hours: number,
  digits: number,
  here?: LifeHere,
): { option: Option } | { troubles: OptionTroubles } {
  const reader = new Reader<keyof OptionFields>();
  const price =
    typedFigure(fields.price) === 0
      ? "A price of 0 is no price: leave it empty until there is one."
      : "The price, such as 149 or 149.50.";
  const priceCents = reader.money("price", fields.price, digits, 1 / 10 ** digits, price);
  const freightCents =
    fields.freight.trim() === ""
      ? 0
      : reader.money("freight", fields.freight, digits, 0, "Freight, from 0 up.");
  const days =
    fields.days.trim() === "" ? 0 : reader.figure("days", fields.days, 0, 365, "Days from 0 to 365.");
  const partDays = reader.figure("partDays", fields.partDays || "0", 0, 3650, "Days from 0 to 3650.");
  const labourDays = reader.figure("labourDays", fields.labourDays || "0", 0, 3650, "Days from 0 to 3650.");
  const supplier = fields.supplier.trim();
  if (supplier === "") reader.troubles.supplier = "Say who supplies it.";
  const { grade } = fields;
  if (!isGrade(grade)) return { troubles: { ...reader.troubles, grade: "Choose the grade." } };
  if (Object.keys(reader.troubles).length > 0) return { troubles: reader.troubles };
  const { extraHours, wrongPartOdds, life: usual } = USUAL_BY_GRADE[grade];
  const life = here?.life ?? usual;
  const guarantee = { partDays: Math.round(partDays), labourDays: Math.round(labourDays) };
  return {
    option: {
      id: fields.id,
      grade,
      supplier,
      priceCents,
      freightCents,
      days,
      fitHours: hours,
      extraHours,
      wrongPartOdds,
      life,
      guarantee,
    },
  };
}

/** What was typed as the terms, or what is wrong beside each field. */
export function readTerms(
  fields: TermsFields,
  digits: number,
): { terms: Terms; hours: number } | { troubles: TermsTroubles } {
  const reader = new Reader<keyof TermsFields>();
  const hours = reader.figure("hours", fields.hours, 0.1, 200, "Hours from 0.1 to 200.");
  const hourCents = reader.money("hourPrice", fields.hourPrice, digits, 0, "What an hour costs, from 0 up.");
  const dayOffRoadCents = reader.money(
    "dayPrice",
    fields.dayPrice,
    digits,
    0,
    "What a day costs, from 0 up.",
  );
  const months = reader.figure("months", fields.months, 1, 120, "Months from 1 to 120.");
  if (Object.keys(reader.troubles).length > 0) return { troubles: reader.troubles };
  return {
    terms: { hourCents, dayOffRoadCents, horizonDays: Math.round(months * DAYS_A_MONTH), ...USUAL_DRAWS },
    hours,
  };
}

/** True while nobody has typed into a column: nothing is said of its empty fields then. */
export const isUntouched = ({ supplier, price, freight, days }: OptionFields): boolean =>
  [supplier, price, freight, days].every((text) => text.trim() === "");
