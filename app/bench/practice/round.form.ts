import { IsBoolean, IsInt, IsOptional, IsString, IsUUID, Length, Max, Min } from "class-validator";
import { Reads } from "../../../core/kernel/plain/index.ts";
import { MOST_SEED, type PracticeAct, readActs } from "../../../core/trade/practice/index.ts";

const whole = Reads((value) => (value === undefined || value === "" ? undefined : Number(value)));
const AGAIN = { message: "Load the page again." };

/** A round as its browser hands it in. */
export class RoundForm {
  @IsUUID("all", AGAIN)
  id: string;

  @whole
  @IsInt(AGAIN)
  level: number;

  @IsString()
  @Length(1, 40, AGAIN)
  carKey: string;

  @whole
  @IsInt(AGAIN)
  @Min(0, AGAIN)
  @Max(MOST_SEED, AGAIN)
  seed: number;

  /** As JSON. */
  @IsString()
  @Length(2, 20_000, AGAIN)
  acts: string;

  @whole
  @IsOptional()
  @IsInt(AGAIN)
  @Min(0, AGAIN)
  @Max(1e9, AGAIN)
  plannerCents?: number;

  @Reads((value) => value === "true")
  @IsBoolean()
  hadHelp: boolean;
}

/** The acts that were sent. Throws a RangeError for what is none. */
export function actsOf({ acts }: Pick<RoundForm, "acts">): PracticeAct[] {
  try {
    return readActs(JSON.parse(acts));
  } catch (error) {
    if (error instanceof SyntaxError) throw new RangeError("The acts of a round are a list.");
    throw error;
  }
}
