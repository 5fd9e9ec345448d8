import { IsIn, IsISO8601, IsOptional, IsString, IsUUID, Length } from "class-validator";
import { IsDay } from "../../../core/book/facts/index.ts";
import { Reads } from "../../../core/kernel/plain/index.ts";
import { BRIM_L, MOST_MISSING_L } from "../../../core/trade/leaks/index.ts";
import { Quantity } from "../../desk/quantity-field.ts";

/** A coolant level as it is typed; figures may carry units, bare ones are in the shop's. */
export class LevelForm {
  @IsUUID("all", { message: "Load the page again." })
  id: string;

  @IsIn(["metric", "us"], { message: "Metric or US." })
  system: "metric" | "us";

  @Quantity("volume", -BRIM_L, MOST_MISSING_L, {
    optional: true,
    says: "More over its line runs out at the brim: look again.",
  })
  missing?: number;

  /** The same by its height in the tank. */
  @Quantity("length", -300, 1000, { optional: true })
  height?: number;

  /** How far a litre, or a quart where the shop reads those, lifts this tank. */
  @Quantity("length", 1, 1000, { optional: true })
  lifts?: number;

  @Quantity("volume", 0, 100, { optional: true })
  toppedUp?: number;

  @Quantity("distance", 0, 5_000_000, { optional: true })
  distance?: number;

  @IsIn(["cold", "hot"], { message: "Cold or hot." })
  heat: "cold" | "hot";

  @Quantity("volume", 0.05, 50, { optional: true })
  minimum?: number;

  /** The day on which it was looked at, where that isn't today. */
  @Reads((value) => (value === "" ? undefined : value))
  @IsOptional()
  @IsDay({ message: "A day, such as 2031-03-06." })
  on?: string;

  /** When it was typed, by the browser that kept it until there was a server. */
  @IsOptional()
  @IsISO8601({ strict: true }, { message: "A date and time, such as 2031-03-06T08:00:00Z." })
  at?: string;

  /** Whom the shop told what it means. */
  @Reads((value) => (typeof value === "string" && value.trim() === "" ? undefined : value))
  @IsOptional()
  @IsString({ message: "A name, at most 120 letters." })
  @Length(1, 120, { message: "A name, at most 120 letters." })
  told?: string;
}
