import { IsString, IsUUID, Length, Matches } from "class-validator";
import { Reads } from "../../core/kernel/plain/index.ts";
import { Quantity } from "../desk/quantity-field.ts";
import { CardForm, tidy } from "./card.form.ts";

const upper = Reads((value) =>
  typeof value === "string" ? value.toUpperCase().replace(/\s+/g, " ").trim() : value,
);

/** A vehicle with its cooling card, as it is typed. */
export class VehicleForm extends CardForm {
  @IsUUID("all", { message: "Load the page again." })
  id: string;

  @upper
  @IsString()
  @Matches(/^[A-Z0-9][A-Z0-9 -]{0,15}$/, {
    message: "The plate: letters, digits, blanks or hyphens, at most 16.",
  })
  plate: string;

  @upper
  @Matches(/^[A-HJ-NPR-Z0-9]{17}$/, { message: "A VIN has 17 letters and digits, none of them I, O or Q." })
  vin: string;

  @tidy
  @IsString()
  @Length(1, 80, { message: "Make and model, 1 to 80 letters." })
  name: string;

  @tidy
  @IsString()
  @Length(0, 80, { message: "At most 80 letters." })
  use: string;

  @Quantity("distance", 0, 5_000_000, { optional: true })
  distance?: number;
}
