import { IsIn, IsOptional } from "class-validator";

/** How this browser shows things. */
export class PreferencesForm {
  @IsOptional()
  @IsIn(["day", "dim"], { message: "Daylight or dim bay." })
  theme?: "day" | "dim";

  @IsOptional()
  @IsIn(["metric", "us"], { message: "Metric or US." })
  units?: "metric" | "us";
}
