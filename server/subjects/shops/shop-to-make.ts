import { IsIn, IsString, IsTimeZone, Length, Matches, ValidateNested } from "class-validator";
import { Holds, Reads } from "../../../core/kernel/plain/index.ts";

const trimmed = (value: unknown) => (typeof value === "string" ? value.trim() : value);

export class FirstLead {
  @Reads(trimmed)
  @IsString()
  @Length(1, 80, { message: "The lead's name, 1 to 80 letters." })
  name: string;

  @Matches(/^\d{4,8}$/, { message: "The lead's PIN is 4 to 8 digits." })
  pin: string;

  @IsString()
  @Length(10, 200, { message: "The lead's password has 10 letters or more; three odd words do well." })
  password: string;
}

/** What a shop of one's own is asked for. */
export class ShopForm {
  @Reads(trimmed)
  @IsString()
  @Length(1, 80, { message: "The shop's name, 1 to 80 letters." })
  name: string;

  @Matches(/^[a-z0-9-]{2,40}$/, {
    message: "The shop's short name: 2 to 40 small letters, digits and hyphens.",
  })
  slug: string;

  @IsTimeZone({ message: "A time zone by its name, such as Europe/Dublin or America/Denver." })
  timeZone: string;

  @IsIn(["metric", "us"], { message: "Units are metric or us." })
  units: "metric" | "us";

  @Reads((value) => (typeof value === "string" ? value.trim().toUpperCase() : value))
  @IsIn(Intl.supportedValuesOf("currency"), {
    message: "Three letters of a currency, such as EUR, GBP or USD.",
  })
  currency: string;

  @Holds(() => FirstLead)
  @ValidateNested()
  lead: FirstLead;
}
