import { Fragment, type ReactNode } from "react";
import type { Frame } from "./frame.ts";
import { Stroke, Word } from "./marks.tsx";

interface Axis {
  frame: Frame;
  scale: (value: number) => number;
  ticks: readonly number[];
  words?: (value: number) => ReactNode;
}

/** What the heights stand for; `isRuled` where each goes across the field as a line. */
export function AxisLeft({
  frame,
  scale,
  ticks,
  words,
  isRuled = false,
  unit,
}: Axis & { isRuled?: boolean; unit?: string }) {
  return (
    <>
      {ticks.map((tick) => (
        <Fragment key={tick}>
          {isRuled && (
            <Stroke
              from={[frame.left, scale(tick)]}
              to={[frame.right, scale(tick)]}
              width={1}
              className="stroke-rule"
            />
          )}
          <Word at={[frame.left - 8, scale(tick) + 5]} anchor="end" isQuiet>
            {words ? words(tick) : tick}
          </Word>
        </Fragment>
      ))}
      {unit && (
        <Word at={[frame.left - 8, frame.top - 10]} anchor="end" isQuiet>
          {unit}
        </Word>
      )}
    </>
  );
}

/** A figure under the axis with the room to what stands beside it. */
const TICK_HALF = 18;

/** What the widths stand for, with their unit behind the last or in words below. */
export function AxisBottom({
  frame,
  scale,
  ticks,
  words,
  unit,
  below,
}: Axis & { unit?: string; below?: string }) {
  return (
    <>
      {ticks.map((tick) => (
        <Word key={tick} at={[scale(tick), frame.bottom + 20]} anchor="middle" isQuiet>
          {words ? words(tick) : tick}
        </Word>
      ))}
      {unit && (
        <Word
          at={[Math.max(frame.right + 8, scale(ticks.at(-1) ?? 0) + TICK_HALF), frame.bottom + 20]}
          isQuiet
        >
          {unit}
        </Word>
      )}
      {below && (
        <Word at={[(frame.left + frame.width) / 2, frame.height - 4]} anchor="middle" isQuiet>
          {below}
        </Word>
      )}
    </>
  );
}
