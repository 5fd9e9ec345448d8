import { IsString, Length, Matches } from "class-validator";
import { Reads } from "../../core/kernel/plain/index.ts";

const tidy = Reads((value) => (typeof value === "string" ? value.trim().replace(/\s+/g, " ") : value));

/** Whose a vehicle is, and where they are told of it. */
export class OwnerForm {
  @tidy
  @IsString()
  @Length(1, 120, { message: "A name of at most 120 letters." })
  ownerName: string;

  @tidy
  @IsString()
  @Matches(/^[+\d\s()/.-]{0,40}$/, {
    message: "A telephone number: figures, blanks, + and -. Or leave it open.",
  })
  ownerPhone: string;
}
