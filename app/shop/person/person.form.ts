import { IsIn, IsOptional, IsString, Length, Matches } from "class-validator";
import { Reads } from "../../../core/kernel/plain/index.ts";

const emptyIsNone = (value: unknown) => (value === "" ? undefined : value);

/** What a lead changes of somebody, one form each. */
export class NameForm {
  @IsString()
  @Length(1, 80, { message: "A name, 1 to 80 letters." })
  name: string;
}

export class RoleForm {
  @IsIn(["desk", "technician", "lead"], { message: "Choose what they do." })
  role: "desk" | "technician" | "lead";
}

/** A new PIN, a new password, or both. */
export class SecretsForm {
  @Reads(emptyIsNone)
  @IsOptional()
  @Matches(/^\d{4,8}$/, { message: "A PIN is 4 to 8 digits." })
  pin?: string;

  @Reads(emptyIsNone)
  @IsOptional()
  @IsString()
  @Length(10, 200, { message: "10 letters or more; three odd words do well." })
  password?: string;
}

/** The same of one's own, with the password of now. */
export class OwnSecretsForm extends SecretsForm {
  @IsString({ message: "Your password as it is now." })
  @Length(1, 200, { message: "Your password as it is now." })
  now: string;
}
