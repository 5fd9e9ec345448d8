import { IsUUID, Matches } from "class-validator";
import { Reads } from "../../core/kernel/plain/index.ts";

export const PLATE = /^[A-Z0-9][A-Z0-9 -]{0,15}$/;
export const plateOf = (text: string) => text.toUpperCase().replace(/\s+/g, " ").trim();

/** The same plate, with or without its blanks and hyphens. */
export const samePlate = (a: string, b: string) => bare(a) === bare(b);
const bare = (plate: string) => plate.toUpperCase().replace(/[\s-]/g, "");

/** What taking in a car by its plate alone sends. */
export class TakeInForm {
  @IsUUID("all", { message: "Load the page again." })
  vehicleId: string;

  @IsUUID("all", { message: "Load the page again." })
  jobId: string;

  @Reads((value) => (typeof value === "string" ? plateOf(value) : value))
  @Matches(PLATE, { message: "The plate: letters, digits, blanks or hyphens, at most 16." })
  plate: string;
}
