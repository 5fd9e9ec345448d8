import { IsString, Length, Matches } from "class-validator";
import { Reads } from "../../core/kernel/plain/index.ts";

const tidy = Reads((value) => (typeof value === "string" ? value.trim().replace(/\s+/g, " ") : value));

/** What a vehicle is, once somebody knows; the VIN may stay open. */
export class IdentityForm {
  @tidy
  @IsString()
  @Length(0, 80, { message: "Make and model, at most 80 letters." })
  name: string;

  @Reads((value) => (typeof value === "string" ? value.toUpperCase().replace(/\s+/g, "") : value))
  @Matches(/^(?:[A-HJ-NPR-Z0-9]{17})?$/, {
    message: "A VIN has 17 letters and digits, none of them I, O or Q; or leave it open.",
  })
  vin: string;

  @tidy
  @IsString()
  @Length(0, 80, { message: "At most 80 letters." })
  use: string;
}
