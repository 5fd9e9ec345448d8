import { IsDate, IsInt, IsUUID, Max, Min } from "class-validator";
import { Reads } from "../../core/kernel/plain/index.ts";

/** What a browser tells of the entries that wait in it. */
export class UnsentForm {
  @IsUUID("all", { message: "Load the page again." })
  browserId: string;

  @IsInt({ message: "How many." })
  @Min(0, { message: "How many." })
  @Max(100_000, { message: "How many." })
  entries: number;

  @Reads((value) => (typeof value === "string" && value.length < 40 ? new Date(value) : undefined))
  @IsDate({ message: "Since when." })
  since: Date;
}
