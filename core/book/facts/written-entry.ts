import {
  IsIn,
  IsNumber,
  IsObject,
  IsOptional,
  IsString,
  IsUUID,
  Length,
  Max,
  Min,
  validateSync,
} from "class-validator";
import { unwritable } from "../../kernel/text/index.ts";
import { isOutcome, REPAIRS, UNSURE } from "../../trade/diagnosis/knowledge/index.ts";
import {
  ACCOUNTS,
  type Account,
  COOLANT_ITEMS,
  isStrike,
  KINDS,
  type Kind,
  STAGES,
  type Stage,
} from "../entry/index.ts";
import { CannotTest } from "./cannot-test.ts";
import { factOf, factTrouble, messagesOf, unknownFactOf } from "./facts-of.ts";
import { IsMoment } from "./moment.ts";
import { TestOutcome } from "./test-outcome.ts";
import { TriedRepair } from "./tried-repair.ts";

/** What a sensor, gauge or meter in a vehicle shop can show, by the unit it is written in. */
export const UNIT_RANGES: Readonly<Record<string, readonly [number, number]>> = {
  L: [0, 1000],
  "°C": [-60, 400],
  kPa: [-101, 1000],
  km: [0, 5_000_000],
  rpm: [0, 12000],
  V: [-60, 60],
  Ω: [0, 1e7],
  A: [-2000, 2000],
};

/** One entry as whoever writes it hands it in: a browser, a job file, the made-up shop. */
export class WrittenEntry {
  @IsUUID("all", { message: "An id made by the browser." })
  id: string;

  @IsMoment({ message: "When it was typed, as a date and time in full." })
  at: string;

  @IsIn(STAGES, { message: "One of the eight stages." })
  stage: Stage;

  @IsIn(KINDS, { message: "One of the kinds of entry." })
  kind: Kind;

  @IsOptional()
  @IsIn(ACCOUNTS, { message: "One of the accounts." })
  account?: Account;

  @IsOptional()
  @IsString()
  @Length(1, 120, { message: "1 to 120 letters." })
  item?: string;

  @IsOptional()
  @IsString()
  @Length(1, 120, { message: "1 to 120 letters." })
  place?: string;

  @IsOptional()
  @IsNumber({ allowNaN: false, allowInfinity: false }, { message: "A figure." })
  @Min(0.001, { message: "More than nothing." })
  @Max(1000, { message: "At most 1000." })
  out?: number;

  @IsOptional()
  @IsNumber({ allowNaN: false, allowInfinity: false }, { message: "A figure." })
  @Min(0.001, { message: "More than nothing." })
  @Max(1000, { message: "At most 1000." })
  in?: number;

  @IsOptional()
  @IsIn(Object.keys(UNIT_RANGES), { message: "A unit known here." })
  unit?: string;

  @IsOptional()
  @IsNumber({ allowNaN: false, allowInfinity: false }, { message: "A figure." })
  value?: number;

  @IsOptional()
  @IsString()
  @Length(1, 2000, { message: "1 to 2000 letters." })
  text?: string;

  @IsOptional()
  @IsObject({ message: "What it says, as one object." })
  data?: Record<string, unknown>;

  @IsOptional()
  @IsUUID("all", { message: "The id of a line of this book." })
  corrects?: string;
}

const FIELDS = new Set([
  ...["id", "at", "stage", "kind", "account", "item", "place", "out", "in", "unit", "value", "text"],
  ...["data", "corrects"],
]);
/** The database keeps no more; nothing sound is near it. */
const MOST_DATA_LETTERS = 18_000;

function movementTrouble({ account, item, out, in: back, value }: WrittenEntry): string | undefined {
  if (!account || !item || (out ?? back) === undefined)
    return "A movement names its account, the thing and how much.";
  if (value !== undefined) return "A movement has no figure beside what goes out or in.";
  if (account !== "coolant") return Number.isInteger(out ?? back) ? undefined : "Counts are whole.";
  if (!Object.hasOwn(COOLANT_ITEMS, item))
    return "Coolant is drained, spilled, kept, missing, poured, or a change of capacity.";
  const isPoured = item === "poured";
  if (item !== "capacity" && isPoured !== (back !== undefined))
    return isPoured ? "What is poured goes in." : "Only what is poured goes in.";
  return undefined;
}

function figureTrouble({ value, unit }: WrittenEntry): string | undefined {
  if (value === undefined) return undefined;
  if (unit === undefined) return "A figure wants its unit.";
  const [least, most] = UNIT_RANGES[unit] ?? [0, 0];
  return value < least || value > most ? `A figure from ${least} to ${most} ${unit}.` : undefined;
}

/** What the knowledge of today says of a test that is named; books keep what older knowledge said. */
function knowledgeTrouble(entry: WrittenEntry): string | undefined {
  const said = factOf(entry)?.fact;
  if (said instanceof TestOutcome && !isOutcome(said.test, said.outcome))
    return "That test is not known here, or has no such outcome.";
  if (said instanceof TriedRepair && !REPAIRS.some(({ id }) => id === said.repair))
    return "That repair is not known here.";
  if (said instanceof CannotTest && !isOutcome(said.test, UNSURE)) return "That test is not known here.";
  return undefined;
}

function wholeTrouble(entry: WrittenEntry): string | undefined {
  const { kind, account, item, out, in: back, value, text, data } = entry;
  if (out !== undefined && back !== undefined) return "An entry goes out or in, not both.";
  if (isStrike(entry)) return undefined;
  if (kind === "movement") return movementTrouble(entry);
  if (account || (out ?? back) !== undefined) return "Only movements go out or in.";
  if (value === undefined && !text && !item && !data) return "Nothing is said in it.";
  return figureTrouble(entry);
}

/**
 * What is wrong with an entry, by field or, where no field can say it alone, under `entry`; nothing where it is sound.
 * The one check for whoever writes: fields of their own kinds, figures a meter can show, text that can be kept, a fact
 * that is known. Server-only facts are for the use-case to refuse. `isKept` is for a line that stood in a book already:
 * what a newer version says in it, or older knowledge said, is kept as it is.
 */
export function entryTrouble(
  entry: WrittenEntry,
  { isKept = false } = {},
): Record<string, string> | undefined {
  const strange = Object.keys(entry).find((name) => !FIELDS.has(name));
  if (strange !== undefined) return { [strange.slice(0, 40)]: "There is no such field." };
  const letters = unwritable(entry);
  if (letters) return { entry: letters };
  const whole = Object.assign(new WrittenEntry(), entry);
  const errors = validateSync(whole, { forbidUnknownValues: false, stopAtFirstError: true });
  if (errors.length > 0)
    return Object.fromEntries(errors.map((error) => [error.property, messagesOf([error])[0] ?? "Wrong."]));
  if (JSON.stringify(entry.data ?? {}).length > MOST_DATA_LETTERS)
    return { data: "That says too much for one line." };
  const said = isKept && unknownFactOf(entry) ? undefined : factTrouble(entry);
  const trouble = wholeTrouble(entry) ?? said ?? (isKept ? undefined : knowledgeTrouble(entry));
  return trouble === undefined ? undefined : { entry: trouble };
}
