import type { ReactNode } from "react";

type Point = readonly [x: number, y: number];

/** Words in a drawing; `isQuiet` for a unit or a tick beside what is read, `isOver` where lines run below them. */
export function Word({
  at: [x, y],
  anchor = "start",
  isQuiet = false,
  isFigure = false,
  isOver = false,
  children,
}: {
  at: Point;
  anchor?: "start" | "middle" | "end";
  isQuiet?: boolean;
  isFigure?: boolean;
  isOver?: boolean;
  children: ReactNode;
}) {
  return (
    <text
      x={x}
      y={y}
      textAnchor={anchor}
      {...(isOver && { stroke: "var(--paper)", strokeWidth: 3, paintOrder: "stroke" })}
      className={`text-[14px] ${isQuiet ? "fill-ink-2" : "fill-ink"} ${isFigure ? "figure" : ""}`}
    >
      {children}
    </text>
  );
}

/** A curve that was measured or worked out: whole what is known, dashed what is expected or came before. */
export function Curve({
  path,
  width = 2.5,
  dash,
  isQuiet = false,
}: {
  path: string | null;
  width?: number;
  dash?: string;
  isQuiet?: boolean;
}) {
  return (
    <path
      d={path ?? ""}
      fill="none"
      className={isQuiet ? "stroke-ink-2" : "stroke-ink"}
      strokeWidth={width}
      strokeDasharray={dash}
      strokeLinejoin="round"
    />
  );
}

/** A straight line from one place to another: a limit, an average, an edge. */
export function Stroke({
  from: [x1, y1],
  to: [x2, y2],
  width = 1.5,
  dash,
  className = "stroke-ink",
}: {
  from: Point;
  to: Point;
  width?: number;
  dash?: string;
  className?: string;
}) {
  return (
    <line x1={x1} x2={x2} y1={y1} y2={y2} className={className} strokeWidth={width} strokeDasharray={dash} />
  );
}

/** One thing that was read: open, or filled where it is the one that counts. */
export function Dot({ at: [x, y], isFilled = false, r = 6 }: { at: Point; isFilled?: boolean; r?: number }) {
  return (
    <circle
      cx={x}
      cy={y}
      r={r}
      className={isFilled ? "fill-ink stroke-ink" : "fill-paper stroke-ink"}
      strokeWidth={r > 5 ? 2.5 : 2}
    />
  );
}
