import { IsBoolean, IsIn, IsNumber, IsOptional, IsString, Length, Max, Min } from "class-validator";
import type { System } from "../../kernel/units/index.ts";
import type { EntryDraft } from "../entry/index.ts";
import { sentence } from "./words.ts";

const SIDES = ["driver", "passenger"] as const;

/** A length on the bench, mm; left out where nobody measured it. */
const Millimetres =
  (least = 0): PropertyDecorator =>
  (target, name) => {
    IsOptional()(target, name);
    IsNumber({ allowNaN: false, allowInfinity: false }, { message: "A length in mm." })(target, name);
    Min(least, { message: `A length in mm from ${least}.` })(target, name as string);
    Max(5000, { message: "A length of at most 5000 mm." })(target, name as string);
  };
const OneOf =
  (options: readonly string[]): PropertyDecorator =>
  (target, name) => {
    IsOptional()(target, name);
    IsIn(options, { message: `One of: ${options.join(", ")}.` })(target, name as string);
  };

/** The radiator and fan unit that are in this car, as they were measured; the vehicle's card keeps the last. */
export class MeasuredUnit {
  @IsIn(["left", "right"], { message: "The wheel is left or right." })
  steering: "left" | "right";

  @Millimetres()
  widthMm?: number;

  @Millimetres()
  heightMm?: number;

  @Millimetres()
  depthMm?: number;

  @Millimetres()
  coreMm?: number;

  @Millimetres()
  coreWidthMm?: number;

  @Millimetres()
  coreHeightMm?: number;

  @Millimetres()
  mountsApartMm?: number;

  @Millimetres()
  mountThreadMm?: number;

  /** How deep that thread goes. */
  @Millimetres()
  mountDepthMm?: number;

  @Millimetres()
  bracketsApartMm?: number;

  /** The port in, and the port out. */
  @Millimetres()
  oilPortsMm?: number;

  @Millimetres()
  oilPortOutMm?: number;

  /** What is free now before the charge pipes, and between shroud and fan. */
  @Millimetres()
  pipesFreeMm?: number;

  @Millimetres()
  shroudFreeMm?: number;

  @IsOptional()
  @IsBoolean({ message: "There, or not." })
  condenserMounts?: boolean;

  /** From its top to the skid plate. */
  @Millimetres()
  belowMm?: number;

  @OneOf(SIDES)
  outletSide?: (typeof SIDES)[number];

  @Millimetres()
  outletHeightMm?: number;

  @Millimetres()
  outletWideMm?: number;

  @OneOf(SIDES)
  inletSide?: (typeof SIDES)[number];

  @Millimetres()
  inletHeightMm?: number;

  @Millimetres()
  inletWideMm?: number;

  @Millimetres()
  bottomApartMm?: number;

  @Millimetres()
  topApartMm?: number;

  @IsOptional()
  @IsBoolean({ message: "In rubber, or not." })
  bushes?: boolean;

  @OneOf(["none", "internal", "external"])
  oilCooler?: "none" | "internal" | "external";

  @IsOptional()
  @IsString()
  @Length(1, 60, { message: "The plug in 1 to 60 letters." })
  plug?: string;

  @IsOptional()
  @IsNumber({ allowNaN: false, allowInfinity: false }, { message: "How many blades." })
  @Min(1, { message: "One blade or more." })
  @Max(30, { message: "At most 30 blades." })
  blades?: number;

  @IsOptional()
  @IsBoolean({ message: "It pulls toward the engine, or not." })
  pulls?: boolean;

  /** From its face to what stands behind it. */
  @Millimetres()
  roomMm?: number;

  @IsOptional()
  @IsString()
  @Length(1, 40, { message: "What stands behind it, in 1 to 40 letters." })
  behind?: string;

  @Millimetres()
  fanDepthMm?: number;

  static readonly fact = "measured-unit";
  static readonly version = 1;
  static readonly kinds = ["note"] as const;
  static readonly example: EntryDraft = {
    kind: "note",
    item: "radiator and fan measured",
    text: "640 × 410 × 45 mm",
    data: {
      fact: "measured-unit",
      v: 1,
      steering: "left",
      widthMm: 640,
      heightMm: 410,
      depthMm: 45,
      oilCooler: "none",
    },
  };
  static words = (_: MeasuredUnit, entry: EntryDraft, system: System) => sentence(entry, system);
}
