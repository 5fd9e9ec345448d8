import { Transform } from "class-transformer";
import { ArrayMaxSize, IsArray, IsString, IsUUID, Length } from "class-validator";

/** What signing sends. */
export class SignForm {
  @IsUUID("all", { message: "Load the page again." })
  id: string;

  @IsString()
  @Length(0, 2000, { message: "At most 2000 letters." })
  reason: string;

  /** What was shown as open, in the core's own metric words, as a JSON list. */
  @Transform(({ value }) => {
    try {
      return JSON.parse(value);
    } catch {
      return undefined;
    }
  })
  @IsArray({ message: "Load the page again." })
  @ArrayMaxSize(500)
  @IsString({ each: true })
  openSeen: string[];
}
