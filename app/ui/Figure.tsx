import { type Dimension, formatParts, type System } from "../../core/kernel/units/index.ts";

interface Given {
  value: number;
  dimension: Dimension;
  system: System;
  decimals?: number;
  /** A key figure is read at arm's length. */
  isKey?: boolean;
}

/** A figure with its unit set smaller and lighter beside it. */
export function Figure({ value, dimension, system, decimals, isKey = false }: Given) {
  const shown = formatParts(value, dimension, system, decimals);
  return (
    <span className="whitespace-nowrap">
      <span className={`figure ${isKey ? "font-bold text-5xl" : ""}`}>{shown.figure}</span>
      <span className={`text-ink-2 ${isKey ? "ml-2 text-xl" : "ml-1 text-[0.88em]"}`}>{shown.unit}</span>
    </span>
  );
}
