import { TZDate } from "@date-fns/tz";
import { cellsOf, headsTrouble, type ListTrouble, MOST_COLUMNS, plainHead } from "../../kernel/csv/index.ts";
import { readShown, type System } from "../../kernel/units/index.ts";
import { readDistance } from "../car/index.ts";
import { BRIM_L, MOST_MISSING_L } from "./tank.ts";

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

type Column = "at" | "missing" | "topped up" | "distance" | "engine" | "taken by" | "told" | "struck";

const HEADS: Record<string, Column> = {
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
function headOf(head: string): { column?: Column; unit?: string } {
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
const MOST_TOLD = 200;
const MOST_LETTERS = 120;
const OLDEST = Date.parse("1990-01-01T00:00:00Z");
const WHEN =
  /^(\d{4})-(\d{2})-(\d{2})(?:[T ](\d{2}):(\d{2})(?::(\d{2})(?:\.\d{1,6})?)?)?\s*(Z|[+-]\d{2}:?\d{2})?$/i;
/** A person groups thousands so, and a program writes thousandths so: in a list either may have been at it. */
const EITHER = /^\d{1,3}[.,]\d{3}(?!\d)(?![.,]\d)/;
const NOON = 12;

/** A day, or a day with a clock, as ISO 8601 writes it; without a zone it is the shop's, without a clock it is noon. */
function momentOf(text: string, timeZone: string): number {
  const [whole, ...parts] = WHEN.exec(text) ?? [];
  const [year = 0, month = 0, day = 0] = parts.slice(0, 3).map(Number);
  const [hour = NOON, minute = 0, second = 0] = parts
    .slice(3, 6)
    .map((part) => (part ? Number(part) : undefined));
  const date = new Date(Date.UTC(year, month - 1, day));
  const isReal = whole && date.getUTCMonth() === month - 1 && date.getUTCDate() === day;
  if (!isReal || hour > 23 || minute > 59 || second > 59) return Number.NaN;
  const zone = parts[6];
  if (zone && parts[3] === undefined) return Number.NaN;
  return zone
    ? Date.parse(text.replace(" ", "T").replace(/\s+/g, ""))
    : new TZDate(year, month - 1, day, hour, minute, second, timeZone).getTime();
}

interface Around {
  system: System;
  timeZone: string;
  now: Date;
}

function readRow(
  cells: Partial<Record<Column, string>>,
  systems: Partial<Record<Column, System>>,
  { system, timeZone, now }: Around,
): { level: Omit<ListedLevel, "line"> } | { troubles: Omit<ListTrouble, "line">[] } {
  const troubles: Omit<ListTrouble, "line">[] = [];
  const text = (column: Column) => (cells[column] ?? "").trim().replace(/\s+/g, " ");
  const refuse = (column: Column, words: string) => void troubles.push({ column, words });
  const litres = (column: "missing" | "topped up", least: number, words: string) => {
    const typed = text(column);
    if (typed === "" && column === "topped up") return 0;
    const read = readShown(typed, "volume", systems[column] ?? system);
    if (read === undefined || !(read >= least && read <= MOST_MISSING_L)) refuse(column, words);
    return read ?? Number.NaN;
  };
  const words = (column: "taken by" | "told") => {
    const said = text(column);
    if (said.length > MOST_LETTERS) refuse(column, `At most ${MOST_LETTERS} letters.`);
    return said === "" ? null : said;
  };
  const at = momentOf(text("at"), timeZone);
  if (Number.isNaN(at)) refuse("at", "A day such as 2026-05-04, or with a clock, 2026-05-04 07:30.");
  else if (at > now.getTime()) refuse("at", "That day lies ahead.");
  else if (at < OLDEST) refuse("at", "From 1990 on.");
  const missingL = litres(
    "missing",
    -BRIM_L,
    `How far below the line, from −${BRIM_L} L, which is the brim.`,
  );
  const toppedUpL = litres("topped up", 0, "What was topped up, from 0.");
  const typedKm = text("distance");
  const km = typedKm === "" ? null : readDistance(typedKm, systems.distance ?? system);
  if (EITHER.test(typedKm)) refuse("distance", "Thousands or thousandths? Write it without the mark.");
  else if (km === undefined) refuse("distance", "A distance from nothing up.");
  const heat = text("engine").toLowerCase() || "cold";
  if (heat !== "cold" && heat !== "hot") refuse("engine", "Cold or hot.");
  const takenBy = words("taken by");
  const told = words("told");
  if (troubles.length > 0) return { troubles };
  return {
    level: {
      at: new Date(at).toISOString(),
      missingL,
      toppedUpL,
      distanceKm: km ?? null,
      heat: heat as "cold" | "hot",
      takenBy,
      told,
    },
  };
}

/**
 * A whole list of levels, as it was cut into rows: all of it by the day, or every row that is wrong and why, and then
 * nothing of it. The first row is the head. Figures without a unit are in the head's, else in the shop's. Rows that were
 * struck are left out and counted.
 */
export function readLevelList(
  rows: readonly (readonly string[])[],
  around: Around,
): { levels: ListedLevel[]; struck: number; leftOut: string[] } | { troubles: ListTrouble[] } {
  const [head = [], ...body] = rows;
  const whole = (words: string) => ({ troubles: [{ line: 1, words }] });
  if (body.length > MOST_ROWS)
    return whole(`The list has ${body.length} rows; at most ${MOST_ROWS} are taken.`);
  const heads = head.slice(0, MOST_COLUMNS + 1).map(headOf);
  const columns = heads.map(({ column }) => column);
  const trouble = headsTrouble(columns, ["at", "missing"]);
  if (trouble) return whole(trouble);
  const systems: Partial<Record<Column, System>> = {};
  for (const { column, unit } of heads)
    if (column && unit) systems[column] = unit === "qt" || unit === "mi" ? "us" : "metric";
  const levels: ListedLevel[] = [];
  const troubles: ListTrouble[] = [];
  let struck = 0;
  body.forEach((cells, index) => {
    const line = index + 2;
    if (cells.every((cell) => cell.trim() === "")) return;
    const named = cellsOf(columns, cells);
    if (/^(?:yes|struck|x|1)$/i.test((named.struck ?? "").trim())) {
      struck += 1;
      return;
    }
    const read = readRow(named, systems, around);
    if ("troubles" in read) troubles.push(...read.troubles.map((each) => ({ line, ...each })));
    else levels.push({ line, ...read.level });
  });
  if (troubles.length > 0) return { troubles: troubles.slice(0, MOST_TOLD) };
  if (levels.length === 0) return whole("There is no row under the first line.");
  levels.sort((a, b) => Date.parse(a.at) - Date.parse(b.at) || a.line - b.line);
  return { levels, struck, leftOut: head.filter((_, at) => !columns[at]) };
}
