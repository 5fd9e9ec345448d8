import {
  buildMessage,
  IsNumber,
  IsOptional,
  IsString,
  Length,
  Max,
  Min,
  ValidateBy,
  type ValidationOptions,
} from "class-validator";
import type { System } from "../../kernel/units/index.ts";
import { HEALTH_FIGURES, type HealthFigureName } from "../../trade/car/index.ts";
import type { EntryDraft } from "../entry/index.ts";
import { IsDay } from "./day.ts";
import { sentence } from "./words.ts";

/** A figure that a log told, with its standard error. */
export interface HealthFigure {
  value: number;
  error: number;
}

const MOST = 1000;

const isHealthFigure = (figure: unknown): boolean => {
  if (!figure || typeof figure !== "object") return false;
  const { value, error } = figure as Record<string, unknown>;
  return (
    [value, error].every((each) => typeof each === "number" && Math.abs(each) <= MOST) && Number(error) >= 0
  );
};

const AreHealthFigures = (options?: ValidationOptions): PropertyDecorator =>
  ValidateBy(
    {
      name: "areHealthFigures",
      validator: {
        validate: (value: unknown) =>
          Boolean(value) &&
          typeof value === "object" &&
          Object.entries(value as object).every(
            ([name, figure]) => HEALTH_FIGURES.includes(name as HealthFigureName) && isHealthFigure(figure),
          ),
        defaultMessage: buildMessage(
          (each) => `${each}$property must hold figures with their errors`,
          options,
        ),
      },
    },
    options,
  );

/**
 * What a log said of the health of a cooling system, held against a good log of the same car: what its radiator passes and its fan
 * draws as shares of what they did then, where thermostat and fan switch and what the sensor is out by, °C. What wasn't told isn't there.
 */
export class HealthRead {
  @IsString()
  @Length(1, 40)
  logId: string;

  /** The log that it is held against, and its day. */
  @IsString()
  @Length(1, 40)
  againstLogId: string;

  @IsDay()
  againstDay: string;

  @AreHealthFigures()
  figures: Partial<Record<HealthFigureName, HealthFigure>>;

  /** How far the log and what redraws it lie apart, °C. */
  @IsOptional()
  @IsNumber()
  @Min(0)
  @Max(100)
  apartC?: number;

  /** The least share of what it passed then at which it still holds a hot day, as far as its model knows. */
  @IsOptional()
  @IsNumber()
  @Min(0)
  @Max(1)
  leastShare?: number;

  static readonly fact = "health-read";
  static readonly version = 1;
  static readonly kinds = ["reading"] as const;
  static readonly example: EntryDraft = {
    kind: "reading",
    item: "cooling health",
    text: "The radiator passes heat at 64 ± 5 % of that in its log of 3 May 2024: blocked or partly airlocked.",
    data: {
      fact: "health-read",
      v: 1,
      logId: "0d9bdf5c-6c0e-4d6e-9f86-0a8f0f6f1a12",
      againstLogId: "0d9bdf5c-6c0e-4d6e-9f86-0a8f0f6f1a13",
      againstDay: "2024-05-03",
      figures: { passes: { value: 0.64, error: 0.02 }, opensC: { value: 86.8, error: 0.5 } },
      apartC: 0.28,
    },
  };
  static words = (_: HealthRead, entry: EntryDraft, system: System) => sentence(entry, system);

  static about = ({ logId }: HealthRead) => ({
    id: logId,
    fact: "warm-up-log",
    refusal: "That log is not in this job's book.",
  });
}
