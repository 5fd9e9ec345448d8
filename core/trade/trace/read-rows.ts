import { figureAt, splitLine } from "../../kernel/csv/index.ts";
import { clockAt } from "./clock.ts";
import type { Column, TemperatureUnit } from "./columns.ts";
import type { Header } from "./log-door.ts";
import { ProblemList } from "./problem-list.ts";
import type { TraceProblem } from "./trace.ts";

export interface WantedColumns {
  time: Column;
  coolant: Column;
  side: Column[];
}

/** Rows as written: time in the file's own unit, temperatures in the file's own unit. */
export interface RawRows {
  count: number;
  time: Float64Array;
  coolant: Float64Array;
  side: Map<Column["role"], Float64Array>;
  marks: Map<number, string>;
  lines: Uint32Array;
  isClock: boolean;
  /** Units written behind figures in the coolant column, with the first line of each. */
  unitsSeen: Map<TemperatureUnit, number>;
  problems: TraceProblem[];
}

const HASH = 35;
const CARRIAGE_RETURN = 13;
const SUFFIXED = /^"? ?([+-]?[\d.,]+) ?°? ?([CF]) ?"?$/i;
const MOST_SUFFIXED_LETTERS = 40;
/** No sensor shows more, in °C or °F; a figure beyond it is none. */
const MOST_DEGREES = 2000;
const MOST_MARK_LETTERS = 200;

/** Turns times of day with or without dates into seconds that go on over midnight. */
function clockReader() {
  let date: string | undefined;
  let dayStart = 0;
  let last = 0;
  return (cell: string): number => {
    const clock = clockAt(cell);
    if (!clock) return Number.NaN;
    if (clock.day !== undefined) return clock.day * 86_400 + clock.secondOfDay;
    const newDate = date !== undefined && clock.date !== date;
    const wrapped = clock.date === "" && last - (dayStart + clock.secondOfDay) > 43_200;
    if (newDate || wrapped) dayStart += 86_400;
    date = clock.date;
    last = dayStart + clock.secondOfDay;
    return last;
  };
}

/** Reads the wanted columns of every row straight out of the text; a row without time or coolant is left out. */
export function readRows(text: string, header: Header, wanted: WantedColumns): RawRows {
  const { delimiter } = header;
  const delimiterCode = delimiter.charCodeAt(0);
  const decimalComma = delimiter !== ",";
  const hasQuotes = text.indexOf('"', header.rowsAt) !== -1;
  const columns = [wanted.time, wanted.coolant, ...wanted.side];
  const slotOf = new Int8Array(Math.max(...columns.map((column) => column.index)) + 1).fill(-1);
  for (const [slot, column] of columns.entries()) slotOf[column.index] = slot;
  const markSlot = columns.findIndex((column) => column.role === "mark");

  let capacity = Math.max(64, Math.ceil((text.length - header.rowsAt) / 12));
  const figures = columns.map(() => new Float64Array(capacity));
  let lines = new Uint32Array(capacity);
  const marks = new Map<number, string>();
  const unitsSeen = new Map<TemperatureUnit, number>();
  const problems = new ProblemList();
  const starts = new Int32Array(columns.length);
  const ends = new Int32Array(columns.length);
  const clock = clockReader();
  let isClock: boolean | undefined;
  let count = 0;
  let line = header.line;

  const coolantFigure = (source: string, from: number, to: number): number => {
    const figure = figureAt(source, from, to, decimalComma || hasQuotes);
    if (Math.abs(figure) > MOST_DEGREES) return Number.NaN;
    if (!Number.isNaN(figure) || to - from > MOST_SUFFIXED_LETTERS) return figure;
    const suffixed = SUFFIXED.exec(source.slice(from, to).trim());
    if (!suffixed?.[1] || !suffixed[2]) return Number.NaN;
    const unit = suffixed[2].toUpperCase() as TemperatureUnit;
    if (!unitsSeen.has(unit)) unitsSeen.set(unit, line);
    return figureAt(suffixed[1], 0, suffixed[1].length, true);
  };

  let source = text;
  /** A cell of the row at hand as text; only for clocks, marks and complaints, so that plain figures are never cut out. */
  const cell = (slot: number) =>
    (starts[slot] ?? -1) < 0 ? "" : source.slice(starts[slot], ends[slot]).trim();

  for (let at = header.rowsAt; at < text.length; ) {
    line++;
    let end = text.indexOf("\n", at);
    if (end === -1) end = text.length;
    source = text;
    let from = at;
    let to = end;
    at = end + 1;
    if (to > from && text.charCodeAt(to - 1) === CARRIAGE_RETURN) to--;
    if (to === from || text.charCodeAt(from) === HASH) continue;
    let separator = delimiterCode;
    if (hasQuotes) {
      source = splitLine(text.slice(from, to), delimiter).join("\u0001");
      from = 0;
      to = source.length;
      separator = 1;
    }
    starts.fill(-1);
    for (let cellAt = from, column = 0; column < slotOf.length; column++) {
      let cellEnd = cellAt;
      while (cellEnd < to && source.charCodeAt(cellEnd) !== separator) cellEnd++;
      const slot = slotOf[column] ?? -1;
      if (slot >= 0) {
        starts[slot] = cellAt;
        ends[slot] = cellEnd;
      }
      if (cellEnd >= to) break;
      cellAt = cellEnd + 1;
    }
    const timeFrom = starts[0] ?? -1;
    const coolantFrom = starts[1] ?? -1;
    isClock ??= timeFrom >= 0 && cell(0).includes(":");
    const time =
      timeFrom < 0
        ? Number.NaN
        : isClock
          ? clock(cell(0))
          : figureAt(source, timeFrom, ends[0] ?? 0, decimalComma || hasQuotes);
    const coolant = coolantFrom < 0 ? Number.NaN : coolantFigure(source, coolantFrom, ends[1] ?? 0);
    if (Number.isNaN(time) || Number.isNaN(coolant)) {
      if (cell(0) === "" && cell(1) === "") continue;
      const bad = Number.isNaN(time) ? 0 : 1;
      const column = bad === 0 ? wanted.time : wanted.coolant;
      problems.add(
        `cell ${bad}`,
        line,
        column.name,
        cell(bad) === "" ? "holds nothing" : `holds “${cell(bad).slice(0, 20)}”`,
      );
      continue;
    }
    if (count === capacity) {
      capacity *= 2;
      for (const [slot, column] of figures.entries()) {
        figures[slot] = new Float64Array(capacity);
        figures[slot].set(column);
      }
      const longer = new Uint32Array(capacity);
      longer.set(lines);
      lines = longer;
    }
    (figures[0] as Float64Array)[count] = time;
    (figures[1] as Float64Array)[count] = coolant;
    for (let slot = 2; slot < columns.length; slot++) {
      const start = starts[slot] ?? -1;
      if (slot === markSlot) {
        const said = cell(slot).slice(0, MOST_MARK_LETTERS);
        if (said) marks.set(count, said);
      } else
        (figures[slot] as Float64Array)[count] =
          start < 0 ? Number.NaN : figureAt(source, start, ends[slot] ?? 0, decimalComma || hasQuotes);
    }
    lines[count] = line;
    count++;
  }
  const cut = (slot: number) => (figures[slot] as Float64Array).subarray(0, count);
  return {
    count,
    time: cut(0),
    coolant: cut(1),
    side: new Map(
      wanted.side.flatMap((column, index) => (column.role === "mark" ? [] : [[column.role, cut(index + 2)]])),
    ),
    marks,
    lines: lines.subarray(0, count),
    isClock: isClock ?? false,
    unitsSeen,
    problems: problems.list(),
  };
}
