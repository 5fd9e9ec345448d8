import { IsIn, IsOptional, Max, MaxLength, Min } from "class-validator";
import { mayBeThousands } from "../../kernel/csv/index.ts";
import { momentInZone } from "../../kernel/days/index.ts";
import { checkPlain } from "../../kernel/plain/index.ts";
import { readShown, type System } from "../../kernel/units/index.ts";
import { MOST_KM, readDistance } from "../car/index.ts";
import { BRIM_L, MOST_MISSING_L } from "./tank.ts";

/** No level was written down before it, ms. */
export const EARLIEST_LEVEL_MS = Date.parse("1990-01-01T00:00:00Z");
/** No clock comes to it: a day is asked about by its own words. */
const NEWEST = 8.64e15;
const MOST_LETTERS = 120;
const DAY = "A day such as 2026-05-04, or with a clock, 2026-05-04 07:30.";
const MISSING = `How far below the line, from −${BRIM_L} L, which is the brim.`;
const TOPPED_UP = "What was topped up, from 0.";
const LETTERS = { message: `At most ${MOST_LETTERS} letters.` };

/** One row of a list of levels by its columns, in core units, `at` in milliseconds. */
export class LevelRow {
  @Min(EARLIEST_LEVEL_MS, { message: ({ value }) => (Number.isNaN(value) ? DAY : "From 1990 on.") })
  @Max(NEWEST, { message: DAY })
  at: number;

  @Min(-BRIM_L, { message: MISSING })
  @Max(MOST_MISSING_L, { message: MISSING })
  missing: number;

  @Min(0, { message: TOPPED_UP })
  @Max(MOST_MISSING_L, { message: TOPPED_UP })
  "topped up" = 0;

  @IsOptional()
  @Min(0, { message: "A distance from nothing up." })
  @Max(MOST_KM, { message: "A distance from nothing up." })
  distance?: number;

  @IsIn(["cold", "hot"], { message: "Cold or hot." })
  engine: "cold" | "hot" = "cold";

  @IsOptional()
  @MaxLength(MOST_LETTERS, LETTERS)
  "taken by"?: string;

  @IsOptional()
  @MaxLength(MOST_LETTERS, LETTERS)
  told?: string;
}

export type LevelColumn = keyof LevelRow | "struck";

/** Whose units bare figures are in, by their columns and for the rest; whose clock; and when it is now. */
export interface Around {
  system: System;
  systems: Partial<Record<LevelColumn, System>>;
  timeZone: string;
  now: Date;
}

/** One row of typed cells, or what is wrong with it by column. */
export function readLevelRow(
  cells: Partial<Record<LevelColumn, string>>,
  { system, systems, timeZone, now }: Around,
): { row: LevelRow } | { troubles: Partial<Record<LevelColumn, string>> } {
  const said = (column: LevelColumn) => (cells[column] ?? "").trim().replace(/\s+/g, " ") || undefined;
  const figure = (column: LevelColumn, read: (text: string, system: System) => number | undefined) => {
    const text = said(column);
    return text === undefined ? undefined : (read(text, systems[column] ?? system) ?? Number.NaN);
  };
  const litres = (text: string, inSystem: System) => readShown(text, "volume", inSystem);
  const { value: row, fields } = checkPlain(LevelRow, {
    at: momentInZone(said("at") ?? "", timeZone),
    missing: figure("missing", litres),
    "topped up": figure("topped up", litres),
    distance: figure("distance", readDistance),
    engine: said("engine")?.toLowerCase(),
    "taken by": said("taken by"),
    told: said("told"),
  });
  const troubles: Partial<Record<LevelColumn, string>> = row
    ? {}
    : "form" in fields
      ? { told: fields.form }
      : fields;
  if (row && row.at > now.getTime()) troubles.at = "That day lies ahead.";
  if (mayBeThousands((said("distance") ?? "").replace(/ ?(?:km|mi|miles)$/i, "")))
    troubles.distance = "Thousands or thousandths? Write it without the mark.";
  return row && Object.keys(troubles).length === 0 ? { row } : { troubles };
}
