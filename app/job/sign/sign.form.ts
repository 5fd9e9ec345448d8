import { Transform } from "class-transformer";
import { ArrayMaxSize, IsArray, IsInt, IsString, IsUUID, Length } from "class-validator";

/** A post is 64 kB at most; of a book with more open than this the first are sent, and how many there are. */
export const MOST_OPEN_SENT = 150;

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
  @ArrayMaxSize(MOST_OPEN_SENT, { message: "Load the page again." })
  @IsString({ each: true })
  openSeen: string[];

  /** How many were shown as open, of which `openSeen` are the first. */
  @Transform(({ value }) =>
    typeof value === "string" && /^\d{1,6}$/.test(value) ? Number(value) : Number.NaN,
  )
  @IsInt({ message: "Load the page again." })
  openCount: number;
}
