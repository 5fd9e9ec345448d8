import type { TraceProblem } from "./trace.ts";

const NAMED_LINES = 3;

/** Gathers like problems, so that a log with ten thousand empty cells gets one sentence and not ten thousand. */
export class ProblemList {
  private readonly kinds = new Map<
    string,
    { line: number; column: string; what: string; lines: number[]; count: number }
  >();

  add(kind: string, line: number, column: string, what: string): void {
    const known = this.kinds.get(kind);
    if (!known) {
      this.kinds.set(kind, { line, column, what, lines: [line], count: 1 });
      return;
    }
    known.count++;
    if (known.lines.length < NAMED_LINES) known.lines.push(line);
  }

  list(): TraceProblem[] {
    return [...this.kinds.values()].map(({ line, column, what, lines, count }) => {
      const others = count > lines.length ? ` and ${count - lines.length} more` : "";
      const where = count === 1 ? `Line ${line}` : `Lines ${lines.join(", ")}${others}`;
      return {
        line,
        column,
        message: `${where}: “${column}” ${what}${count > 1 ? " first" : ""}; it wants a figure. Left out.`,
        stops: false,
      };
    });
  }
}
