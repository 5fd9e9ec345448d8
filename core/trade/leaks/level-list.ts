import { type ListTrouble, MOST_COLUMNS, plainHead, readList } from "../../kernel/csv/index.ts";
import { type Around, type LevelColumn, readLevelRow } from "./level-row.ts";

/** The columns of a list of levels, as it goes out. */
export const LEVEL_COLUMNS = [
  "at",
  "missing_L",
  "topped_up_L",
  "distance_km",
  "engine",
  "taken_by",
  "told",
  "struck",
] as const;

const HEADS: Record<string, LevelColumn> = {
  at: "at",
  date: "at",
  day: "at",
  when: "at",
  missing: "missing",
  "below the line": "missing",
  below: "missing",
  "topped up": "topped up",
  "top up": "topped up",
  added: "topped up",
  distance: "distance",
  odometer: "distance",
  engine: "engine",
  heat: "engine",
  "taken by": "taken by",
  by: "taken by",
  told: "told",
  "who was told": "told",
  struck: "struck",
};
/** A unit behind a head says what bare figures under it are. */
const UNIT = / \(?(l|km|qt|mi)\)?$/;

/** The column that a head means, and its unit where the head names one. */
function headOf(head: string): { column?: LevelColumn; unit?: string } {
  const plain = plainHead(head);
  const unit = UNIT.exec(plain)?.[1];
  const name = plain.replace(UNIT, "");
  const column = Object.hasOwn(HEADS, name) ? HEADS[name] : undefined;
  return { ...(column && { column }), ...(unit && { unit }) };
}

export interface ListedLevel {
  /** The line of the file, from 1. */
  line: number;
  at: string;
  missingL: number;
  toppedUpL: number;
  distanceKm: number | null;
  heat: "cold" | "hot";
  takenBy: string | null;
  told: string | null;
}

const MOST_ROWS = 2000;
const STRUCK = /^(?:yes|struck|x|1)$/i;

/**
 * A whole list of levels, as it was cut into rows: all of it by the day, or every row that is wrong and why, and then
 * nothing of it. The first row is the head. Figures without a unit are in the head's, else in the shop's. Rows that were
 * struck are left out and counted.
 */
export function readLevelList(
  rows: readonly (readonly string[])[],
  around: Omit<Around, "systems">,
): { levels: ListedLevel[]; struck: number; leftOut: string[] } | { troubles: ListTrouble[] } {
  const heads = (rows[0] ?? []).slice(0, MOST_COLUMNS + 1).map(headOf);
  const systems: Around["systems"] = {};
  for (const { column, unit } of heads)
    if (column && unit) systems[column] = unit === "qt" || unit === "mi" ? "us" : "metric";
  let struck = 0;
  const read = readList(rows, {
    columns: heads.map(({ column }) => column),
    needed: ["at", "missing"],
    mostRows: MOST_ROWS,
    read: (cells) => {
      if (!STRUCK.test((cells.struck ?? "").trim())) return readLevelRow(cells, { ...around, systems });
      struck += 1;
      return undefined;
    },
  });
  if ("troubles" in read) return read;
  const levels = read.rows.map(
    ({ line, row }): ListedLevel => ({
      line,
      at: new Date(row.at).toISOString(),
      missingL: row.missing,
      toppedUpL: row["topped up"],
      distanceKm: row.distance ?? null,
      heat: row.engine,
      takenBy: row["taken by"] ?? null,
      told: row.told ?? null,
    }),
  );
  levels.sort((a, b) => Date.parse(a.at) - Date.parse(b.at) || a.line - b.line);
  return { levels, struck, leftOut: read.leftOut };
}
