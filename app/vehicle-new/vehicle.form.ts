import { Transform } from "class-transformer";
import { IsIn, IsOptional, IsString, IsUUID, Length, Matches } from "class-validator";
import type { CoolingCard } from "../../core/trade/car/index.ts";
import { KINDS } from "../../core/trade/coolant/index.ts";
import { CIRCUIT_KINDS } from "../../core/trade/diagnosis/knowledge/index.ts";
import { readSensorPoints } from "../../core/trade/electrics/index.ts";
import { Quantity } from "../desk/quantity-field.ts";

export const OIL_COOLERS = ["none", "in the radiator", "outside"] as const;

const tidy = Transform(({ value }) =>
  typeof value === "string" ? value.trim().replace(/\s+/g, " ") : value,
);
const upper = Transform(({ value }) =>
  typeof value === "string" ? value.toUpperCase().replace(/\s+/g, " ").trim() : value,
);

/** A cooling card, as it is typed. Figures may carry units; bare ones are in the shop's. */
export class CardForm {
  @IsIn(["metric", "us"], { message: "Metric or US." })
  system: "metric" | "us";

  @Quantity("volume", 0.5, 200)
  capacity: number;

  @IsIn(KINDS, { message: "Choose the kind by its inhibitor, never by colour." })
  coolantKind: string;

  @tidy
  @IsString()
  @Length(0, 80, { message: "At most 80 letters." })
  coolantProduct: string;

  @tidy
  @IsOptional()
  @IsString()
  @Length(0, 80, { message: "At most 80 letters." })
  coolantApproval?: string;

  @Quantity("fraction", 0.2, 0.65)
  strength: number;

  @Quantity("pressure", 0, 300)
  cap: number;

  @Quantity("temperature", 40, 120)
  thermostatOpens: number;

  @IsOptional()
  @IsIn([...CIRCUIT_KINDS, ""], { message: "Choose one, or leave it open." })
  circuit?: string;

  @Quantity("temperature", 40, 150, { optional: true })
  lowOn?: number;

  @Quantity("temperature", 40, 150, { optional: true })
  lowOff?: number;

  @Quantity("temperature", 40, 150, { optional: true })
  highOn?: number;

  @Quantity("temperature", 40, 150, { optional: true })
  highOff?: number;

  @IsIn(["engine", "radiator"], { message: "Engine or radiator." })
  fanSenses: "engine" | "radiator";

  @tidy
  @IsString()
  @Length(0, 120, { message: "At most 120 letters." })
  fillPoint: string;

  @tidy
  @IsString()
  @Length(0, 120, { message: "At most 120 letters." })
  bleedPoints: string;

  @IsIn(OIL_COOLERS, { message: "Choose one." })
  oilCooler: string;

  @IsString()
  @Length(0, 300, { message: "At most 300 letters." })
  sensorCurve: string;
}

/** A vehicle with its cooling card, as it is typed. */
export class VehicleForm extends CardForm {
  @IsUUID("all", { message: "Load the page again." })
  id: string;

  @upper
  @IsString()
  @Matches(/^[A-Z0-9][A-Z0-9 -]{0,15}$/, {
    message: "The plate: letters, digits, blanks or hyphens, at most 16.",
  })
  plate: string;

  @upper
  @Matches(/^[A-HJ-NPR-Z0-9]{17}$/, { message: "A VIN has 17 letters and digits, none of them I, O or Q." })
  vin: string;

  @tidy
  @IsString()
  @Length(1, 80, { message: "Make and model, 1 to 80 letters." })
  name: string;

  @tidy
  @IsString()
  @Length(0, 80, { message: "At most 80 letters." })
  use: string;

  @Quantity("distance", 0, 5_000_000, { optional: true })
  distance?: number;
}

/** What no field can say alone: each fan start wants its stop below it, a curve its points in order. */
export function cardTrouble({
  lowOn,
  lowOff,
  highOn,
  highOff,
  sensorCurve,
}: CardForm): Record<string, string> {
  const fields: Record<string, string> = {};
  for (const [name, on, off] of [
    ["low", lowOn, lowOff],
    ["high", highOn, highOff],
  ] as const) {
    if ((on === undefined) !== (off === undefined))
      fields[`${name}Off`] = "Start and stop go together: give both or neither.";
    else if (on !== undefined && off !== undefined && off >= on)
      fields[`${name}Off`] = "A fan stops below where it starts.";
  }
  if (highOn !== undefined && lowOn === undefined) fields.lowOn = "With one stage only, write it here.";
  if (highOn !== undefined && lowOn !== undefined && highOn <= lowOn)
    fields.highOn = "The high stage starts above the low one.";
  try {
    readSensorPoints(sensorCurve);
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    fields.sensorCurve = error.message;
  }
  return fields;
}

const present = (...figures: (number | undefined)[]) => figures.filter((figure) => figure !== undefined);

/** The card as the books keep it. */
export function cardOf(form: CardForm): CoolingCard {
  const {
    coolantKind,
    coolantProduct,
    coolantApproval = "",
    fanSenses,
    fillPoint,
    bleedPoints,
    oilCooler,
  } = form;
  return {
    capacityL: form.capacity,
    coolantKind,
    coolantProduct,
    coolantApproval,
    targetFraction: form.strength,
    capGaugeKpa: form.cap,
    thermostatOpensC: form.thermostatOpens,
    circuit: form.circuit || null,
    fanOnC: present(form.lowOn, form.highOn),
    fanOffC: present(form.lowOff, form.highOff),
    fanSenses,
    fillPoint,
    bleedPoints,
    oilCooler,
    sensorCurve: readSensorPoints(form.sensorCurve),
  };
}
