import { IsIn, IsUUID } from "class-validator";
import { Quantity } from "../../shell/quantity-field.ts";

/** A coolant level as it is typed; figures may carry units, bare ones are in the shop's. */
export class LevelForm {
  @IsUUID("all", { message: "Load the page again." })
  id: string;

  @IsIn(["metric", "us"], { message: "Metric or US." })
  system: "metric" | "us";

  @Quantity("volume", -10, 100)
  missing: number;

  @Quantity("volume", 0, 100, { optional: true })
  toppedUp?: number;

  @Quantity("distance", 0, 5_000_000, { optional: true })
  distance?: number;

  @IsIn(["cold", "hot"], { message: "Cold or hot." })
  heat: "cold" | "hot";

  @Quantity("volume", 0.05, 50, { optional: true })
  minimum?: number;
}
