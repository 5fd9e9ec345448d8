import { IsIn, IsOptional } from "class-validator";

/** How things are shown: the theme for this browser, units and keys for the person who is signed in. */
export class PreferencesForm {
  @IsOptional()
  @IsIn(["day", "dim"], { message: "Daylight or dim bay." })
  theme?: "day" | "dim";

  @IsOptional()
  @IsIn(["metric", "us"], { message: "Metric or US." })
  units?: "metric" | "us";

  @IsOptional()
  @IsIn(["bare", "alt", "off"], { message: "Single keys: by themselves, with Alt, or off." })
  keys?: "bare" | "alt" | "off";
}
