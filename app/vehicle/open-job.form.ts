import { IsOptional, IsString, IsUUID, Length } from "class-validator";

/** What opening a job sends. */
export class OpenJobForm {
  @IsUUID("all", { message: "Load the page again." })
  id: string;

  @IsString()
  @Length(0, 40, { message: "At most 40 letters." })
  bay: string;

  @IsOptional()
  @IsUUID("all", { message: "Choose somebody from the list, or nobody." })
  assignedTo?: string;
}
