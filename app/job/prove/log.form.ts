import { IsNumber, IsOptional, IsString, IsUUID, Length, Max, Min } from "class-validator";
import { MOST_RESTED_H } from "../../../core/book/facts/index.ts";
import { Reads } from "../../../core/kernel/plain/index.ts";

/** What booking a log sends beside the file itself. */
export class LogForm {
  @IsUUID("all", { message: "Load the page again." })
  id: string;

  @IsString()
  @Length(1, 200, { message: "The file's name, at most 200 letters." })
  name: string;

  /** Hours that the engine had stood; left out where nobody knows. */
  @Reads((value) => (value === undefined || value === "" ? undefined : Number(value)))
  @IsOptional()
  @IsNumber({}, { message: "Hours that the engine had stood, as a figure." })
  @Min(0, { message: "Hours that the engine had stood, 0 or more." })
  @Max(MOST_RESTED_H, { message: "At most a year." })
  restedH?: number;
}
