import { IsString, IsUUID, Length, Matches } from "class-validator";

/** By name tile, on a browser that is the shop's own. */
export class PinForm {
  @IsUUID("all", { message: "Tap your name first." })
  personId: string;

  @Matches(/^\d{4,8}$/, { message: "A PIN is 4 to 8 digits." })
  pin: string;
}

/** By name and password, anywhere else. */
export class PasswordForm {
  @Matches(/^[a-z0-9-]{2,40}$/, { message: "The shop's short name: small letters, digits and hyphens." })
  shop: string;

  @IsString({ message: "Your name as the shop has it." })
  @Length(1, 80, { message: "Your name as the shop has it." })
  name: string;

  @IsString({ message: "Your password." })
  @Length(1, 200, { message: "Your password, at most 200 letters." })
  password: string;
}
