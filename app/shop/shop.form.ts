import { IsIn, IsInt, IsOptional, IsString, IsUUID, Length, Matches, Max, Min } from "class-validator";
import { typedFigure } from "../../core/kernel/csv/index.ts";
import { Reads } from "../../core/kernel/plain/index.ts";
import { Quantity } from "../desk/quantity-field.ts";

/** What the Shop page sends, one form each. */
export class UnitsForm {
  @IsIn(["metric", "us"], { message: "Metric or US." })
  units: "metric" | "us";
}

export class CurrencyForm {
  @Reads((value) => (typeof value === "string" ? value.trim().toUpperCase() : value))
  @IsIn(Intl.supportedValuesOf("currency"), { message: "Three letters, such as EUR, GBP or USD." })
  currency: string;
}

export class PlaceForm {
  @IsIn(["metric", "us"], { message: "Metric or US." })
  system: "metric" | "us";

  @Reads((value) =>
    String(value ?? "").trim() === "" ? undefined : (typedFigure(String(value)) ?? Number.NaN),
  )
  @IsOptional()
  @Min(-400, { message: "Metres above the sea, −400 to 5500." })
  @Max(5500, { message: "Metres above the sea, −400 to 5500." })
  altitude?: number;

  @Quantity("temperature", -60, 20, { optional: true })
  coldest?: number;
}

/** Where the shop's diagnostic adapter is; nothing in both takes it away. */
export class AdapterForm {
  @IsString()
  @Length(0, 120, { message: "At most 120 letters." })
  host: string;

  @Reads((value) => (String(value ?? "").trim() === "" ? undefined : Number(value)))
  @IsOptional()
  @IsInt({ message: "A port from 1 to 65535." })
  @Min(1, { message: "A port from 1 to 65535." })
  @Max(65_535, { message: "A port from 1 to 65535." })
  port?: number;
}

export class DeviceForm {
  @IsString()
  @Length(1, 80, { message: "A name for this browser, 1 to 80 letters." })
  deviceName: string;
}

export class RemoveDeviceForm {
  @IsUUID("all", { message: "Choose a browser." })
  deviceId: string;
}

export class PersonForm {
  @IsUUID("all", { message: "Load the page again." })
  id: string;

  @IsString()
  @Length(1, 80, { message: "A name, 1 to 80 letters." })
  name: string;

  @IsIn(["desk", "technician", "lead"], { message: "Choose what they do." })
  role: "desk" | "technician" | "lead";

  @Matches(/^\d{4,8}$/, { message: "A PIN is 4 to 8 digits." })
  pin: string;

  @IsString()
  @Length(10, 200, { message: "10 letters or more; three odd words do well." })
  password: string;
}
