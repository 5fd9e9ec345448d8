import { IsString, IsUUID, Length } from "class-validator";

/** What booking a log sends beside the file itself. */
export class LogForm {
  @IsUUID("all", { message: "Load the page again." })
  id: string;

  @IsString()
  @Length(1, 200, { message: "The file's name, at most 200 letters." })
  name: string;
}
