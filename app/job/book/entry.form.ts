import { Type } from "class-transformer";
import {
  ArrayMaxSize,
  ArrayMinSize,
  IsArray,
  IsBoolean,
  IsIn,
  IsISO8601,
  IsNumber,
  IsOptional,
  IsString,
  IsUUID,
  Length,
  Max,
  Min,
  ValidateNested,
} from "class-validator";
import { CIRCUIT_KINDS, HYPOTHESES } from "../../../core/diagnosis/knowledge/index.ts";
import { isOutcome, UNSURE } from "../../../core/job/find/index.ts";
import { GRADES, WAITS } from "../../../core/job/index.ts";
import { ACCOUNTS, type Account, KINDS, type Kind, STAGES, type Stage } from "../../../core/ledger/index.ts";

/** What a browser may say beyond an entry's figures. Logs and signatures are the server's own to write. */
export class EntryDataForm {
  @IsOptional() @IsIn(["pass", "fail", "not-seen"], { message: "pass, fail or not-seen." }) verdict?: string;
  @IsOptional() @IsNumber({}, { message: "A share from 0 to 1." }) @Min(0) @Max(1) fraction?: number;
  @IsOptional() @IsString() @Length(1, 40) fan?: string;
  @IsOptional() @IsIn(["min", "line", "max", "low", "empty"]) level?: string;
  @IsOptional() @IsBoolean() coldCheck?: boolean;
  @IsOptional() @IsBoolean() chosenPart?: boolean;
  @IsOptional() @IsUUID("all") checkedPart?: string;
  @IsOptional() @IsIn(GRADES, { message: "Choose the grade." }) grade?: string;
  @IsOptional() @IsString() @Length(1, 80, { message: "The supplier, 1 to 80 letters." }) supplier?: string;
  @IsOptional() @IsBoolean() noParts?: boolean;
  @IsOptional() @IsIn(["fault", "nothing-wrong"]) finding?: string;
  @IsOptional()
  @IsIn(
    HYPOTHESES.map(({ id }) => id),
    { message: "A fault that is known here." },
  )
  hypothesis?: string;
  @IsOptional() @IsString() @Length(1, 40) test?: string;
  @IsOptional() @IsString() @Length(1, 40) outcome?: string;
  @IsOptional() @IsString() @Length(1, 40) cannot?: string;
  @IsOptional() @IsIn(CIRCUIT_KINDS, { message: "One of the seven kinds of circuit." }) circuit?: string;
  @IsOptional() @IsIn(WAITS) waitsFor?: string;
  @IsOptional() @IsISO8601() until?: string;
  @IsOptional()
  @IsArray()
  @ArrayMaxSize(20)
  @IsString({ each: true })
  @Length(1, 60, { each: true })
  chips?: string[];
  @IsOptional() @IsBoolean() acknowledged?: boolean;
}

/** One entry as a browser sends it. */
export class EntryForm {
  @IsUUID("all", { message: "An id made by the browser." }) id: string;
  @IsISO8601({}, { message: "When it was typed." }) at: string;
  @IsIn(STAGES, { message: "One of the eight stages." }) stage: Stage;
  @IsIn(KINDS, { message: "One of the kinds of entry." }) kind: Kind;
  @IsOptional() @IsIn(ACCOUNTS, { message: "One of the accounts." }) account?: Account;
  @IsOptional() @IsString() @Length(1, 120, { message: "1 to 120 letters." }) item?: string;
  @IsOptional() @IsString() @Length(1, 120, { message: "1 to 120 letters." }) place?: string;
  @IsOptional()
  @IsNumber({}, { message: "A figure." })
  @Min(0.001, { message: "More than nothing." })
  @Max(1000, { message: "At most 1000." })
  out?: number;
  @IsOptional()
  @IsNumber({}, { message: "A figure." })
  @Min(0.001, { message: "More than nothing." })
  @Max(1000, { message: "At most 1000." })
  in?: number;
  @IsOptional()
  @IsIn(["L", "°C", "kPa", "km", "rpm", "V", "Ω"], { message: "A unit known here." })
  unit?: string;
  @IsOptional() @IsNumber({}, { message: "A figure." }) @Min(-1e7) @Max(1e7) value?: number;
  @IsOptional() @IsString() @Length(1, 2000, { message: "At most 2000 letters." }) text?: string;
  @IsOptional() @ValidateNested() @Type(() => EntryDataForm) data?: EntryDataForm;
  @IsOptional() @IsUUID("all") corrects?: string;
}

export class EntriesForm {
  @IsArray()
  @ArrayMinSize(1, { message: "Nothing was sent." })
  @ArrayMaxSize(50, { message: "At most 50 at once." })
  @ValidateNested({ each: true })
  @Type(() => EntryForm)
  entries: EntryForm[];
}

const COUNTED_WANTS_WHOLE = "Counts are whole.";

/** What no field can say alone. */
export function entryTrouble({
  kind,
  account,
  item,
  out,
  in: back,
  corrects,
  text,
  value,
  data,
  unit,
}: EntryForm): string | undefined {
  if (out !== undefined && back !== undefined) return "An entry goes out or in, not both.";
  if (kind === "movement" && !corrects && (!account || !item || (out ?? back) === undefined))
    return "A movement names its account, the thing and how much.";
  if (kind !== "movement" && (account || (out ?? back) !== undefined)) return "Only movements go out or in.";
  if (account && account !== "coolant" && !Number.isInteger(out ?? back ?? 1)) return COUNTED_WANTS_WHOLE;
  if (value !== undefined && unit === undefined) return "A figure wants its unit.";
  if (data?.test !== undefined && !isOutcome(data.test, data.outcome ?? ""))
    return "That test is not known here, or has no such outcome.";
  if (data?.outcome !== undefined && data.test === undefined) return "An outcome names its test.";
  if (data?.cannot !== undefined && !isOutcome(data.cannot, UNSURE)) return "That test is not known here.";
  if (!corrects && kind !== "movement" && value === undefined && !text && !item && !data)
    return "Nothing is said in it.";
  return undefined;
}
