import { ArrayMaxSize, IsArray, IsInt, IsString, IsUUID, Length, Max, Min } from "class-validator";

const MOST_OPEN_SENT = 150;
/** A post is 64 kB at most, and a letter of any script takes up to nine of its bytes, those of the reason too. */
const MOST_LETTERS_SENT = 4000;

/** Of what is open the first that fit into a post: with how many there are, enough to tell a book that has changed. */
export function openSent(open: readonly string[]): string[] {
  let letters = 0;
  const fits = (words: string) => {
    letters += words.length;
    return letters <= MOST_LETTERS_SENT;
  };
  const tooLong = open.findIndex((words) => !fits(words));
  return open.slice(0, Math.min(MOST_OPEN_SENT, tooLong < 0 ? open.length : tooLong));
}

/** What signing sends. */
export class SignForm {
  @IsUUID("all", { message: "Load the page again." })
  id: string;

  @IsString()
  @Length(0, 2000, { message: "At most 2000 letters." })
  reason: string;

  /** What was shown as open, in the core's own metric words. */
  @IsArray({ message: "Load the page again." })
  @ArrayMaxSize(MOST_OPEN_SENT, { message: "Load the page again." })
  @IsString({ each: true })
  openSeen: string[];

  /** How many were shown as open, of which `openSeen` are the first. */
  @IsInt({ message: "Load the page again." })
  @Min(0, { message: "Load the page again." })
  @Max(999_999, { message: "Load the page again." })
  openCount: number;
}
