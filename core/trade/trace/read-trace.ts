import { type Column, type ColumnRole, readHeader } from "./columns.ts";
import { findHeader, refuseAtTheDoor } from "./log-door.ts";
import { readRows } from "./read-rows.ts";
import { settleTemperatures } from "./settle-temperatures.ts";
import { settleTime } from "./settle-time.ts";
import type { Trace, TraceProblem, TraceReading } from "./trace.ts";

/** A sentence names no more of a header than this. */
const MOST_COLUMNS_NAMED = 30;

const stop = (
  problem: Omit<TraceProblem, "stops">,
  problems: TraceProblem[] = [],
  assumed: string[] = [],
): TraceReading => ({
  problems: [...problems, { ...problem, stops: true }],
  assumed,
});

const first = (columns: Column[], role: ColumnRole) => columns.find((column) => column.role === role);

/**
 * Reads a temperature log as loggers write them: comma, semicolon or tab; decimal comma; comment lines; headers in the
 * usual namings and languages; °C or °F by header or else by plausibility; time as seconds, milliseconds, minutes,
 * h:m:s or date and time. Missing, repeated and out-of-order rows are left out and reported by line. Throws nothing:
 * where a log can't be read, `trace` is absent and the problem that `stops` says which line or column and what would
 * be right. Up to 48 million characters.
 */
export function readTrace(text: string): TraceReading {
  const refused = refuseAtTheDoor(text);
  if (refused) return stop(refused);
  const header = findHeader(text);
  if (!header) {
    return stop({
      line: 1,
      message:
        "No header was found. The first line that isn't a comment must name the columns, such as time_s,coolant_C.",
    });
  }
  const columns = readHeader(header.cells);
  const named = header.cells
    .slice(0, MOST_COLUMNS_NAMED)
    .map((cell) => cell.trim().slice(0, 40) || "(no name)");
  const seen = `${named.join(", ")}${header.cells.length > named.length ? ", …" : ""}`;
  const coolants = columns.filter((column) => column.role === "coolant");
  const coolant = coolants.find((column) => column.unit === "C") ?? coolants[0];
  if (!coolant) {
    return stop({
      line: header.line,
      message: `No column holds a coolant temperature. The header names ${seen}; one of them must be called coolant, ECT or temperature.`,
    });
  }
  const time = first(columns, "time");
  if (!time) {
    return stop({
      line: header.line,
      message: `No column holds the time. The header names ${seen}; one of them must be called time, seconds or timestamp.`,
    });
  }
  const side = (["intake", "rpm", "radiatorOut", "mark"] as const).flatMap(
    (role) => first(columns, role) ?? [],
  );
  const rows = readRows(text, header, { time, coolant, side });
  const problems = [...rows.problems];
  const assumed: string[] = [];
  if (coolants.length > 1) {
    assumed.push(
      `Columns ${coolants.map((column) => `“${column.name}”`).join(" and ")} both hold the coolant; “${coolant.name}” is used.`,
    );
  }
  if (rows.count === 0) {
    return stop(
      {
        line: header.line + 1,
        message: "No row holds both a time and a coolant temperature that are figures.",
      },
      problems,
    );
  }
  if (rows.count === 1) {
    return stop(
      {
        line: rows.lines[0],
        message:
          "This is the only row with a time and a temperature. A log needs at least two, and a warm-up some hundreds.",
      },
      problems,
    );
  }
  const timed = settleTime(rows, time);
  assumed.push(...timed.assumed);
  problems.push(...timed.problems);
  if (timed.stops) return stop(timed.stops, problems, assumed);
  const heats = settleTemperatures(timed.columns, rows.unitsSeen, { coolant, side });
  assumed.push(...heats.assumed);
  if (heats.stops) return stop(heats.stops, problems, assumed);
  const trace: Trace = { ...heats.columns, s: timed.columns.s, marks: timed.marks };
  return { trace, problems, assumed };
}
