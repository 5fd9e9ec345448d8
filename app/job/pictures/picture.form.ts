import { IsIn, IsISO8601, IsOptional, IsString, IsUUID, Length, MaxLength } from "class-validator";
import { STAGES, type Stage } from "../../../core/book/entry/index.ts";

/** What booking a picture sends beside the file itself. */
export class PictureForm {
  @IsUUID("all", { message: "Load the page again." })
  id: string;

  @IsString()
  @Length(1, 120, { message: "What the picture shows, in 1 to 120 letters." })
  words: string;

  @IsOptional()
  @IsString()
  @MaxLength(60, { message: "The place in at most 60 letters." })
  place?: string;

  @IsOptional()
  @IsUUID("all", { message: "The line that it belongs to." })
  of?: string;

  @IsIn(STAGES, { message: "A stage of the job." })
  stage: Stage;

  @IsISO8601({ strict: true }, { message: "When it was taken." })
  at: string;
}
