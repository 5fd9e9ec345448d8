import { scaleLinear, scaleTime } from "d3";
import { format, type System } from "../../../core/kernel/units/index.ts";
import { countedLevels, reaches, type SeenLevel } from "../../../core/trade/leaks/index.ts";
import { Chart } from "../../charts/Chart.tsx";
import { frameOf } from "../../charts/frame.ts";
import { Curve, Dot, Stroke, Word } from "../../charts/marks.tsx";
import { dateOf } from "../../ui/dates.ts";

const FRAME = frameOf(640, 220, { top: 24, right: 16, bottom: 32, left: 76 });
const MS_PER_DAY = 86_400_000;
/** Further ahead a band says only that it is wide. */
const MOST_AHEAD_DAYS = 120;

/** The level over time between line and minimum, what was topped up, and the band in which it meets the minimum. */
export function LevelLine({
  levels,
  minimumL,
  system,
  timeZone,
  plate = "",
}: {
  levels: readonly SeenLevel[];
  minimumL: number;
  system: System;
  timeZone: string;
  /** Where lines of several vehicles stand on one page. */
  plate?: string;
}) {
  const counted = countedLevels(levels);
  const first = counted[0];
  const last = counted.at(-1);
  if (!first || !last) return null;
  const found = reaches(counted, minimumL);
  const lastMs = Date.parse(last.at);
  const horizon = lastMs + MOST_AHEAD_DAYS * MS_PER_DAY;
  // Of a sound one there is nothing to draw: its earliest day is that of a leak nobody has seen.
  const dates = found.advice === "drive" ? [] : [found.earliest, found.likely, found.latest];
  const ends = dates.flatMap((iso) => (iso ? [Date.parse(iso)] : []));
  const until = Math.max(lastMs + 7 * MS_PER_DAY, ...ends.map((end) => Math.min(end, horizon)));
  const x = scaleTime([new Date(first.at), new Date(until)], [FRAME.left, FRAME.right]);
  const deepest = Math.max(minimumL * 1.1, ...counted.map(({ missingL }) => missingL));
  const y = scaleLinear(
    [Math.min(0, ...counted.map(({ missingL }) => missingL)), deepest],
    [FRAME.top, FRAME.bottom],
  );
  const after = ({ missingL, toppedUpL = 0 }: SeenLevel) => missingL - toppedUpL;
  const line = counted
    .map((level, place) => {
      const at = x(new Date(level.at));
      return `${place === 0 ? "M" : "L"}${at} ${y(level.missingL)}${level.toppedUpL ? `V${y(after(level))}` : ""}`;
    })
    .join("");
  const startX = x(new Date(last.at));
  const startY = y(after(last));
  const meets = (iso: string | undefined) => {
    const ms = iso ? Date.parse(iso) : Number.POSITIVE_INFINITY;
    if (ms <= until) return [x(new Date(ms)), y(minimumL)] as const;
    const share = Number.isFinite(ms) ? (until - lastMs) / (ms - lastMs) : 0;
    return [x(new Date(until)), startY + (y(minimumL) - startY) * share] as const;
  };
  const [earlyX, earlyY] = meets(found.earliest);
  const [lateX, lateY] = meets(found.latest);
  const [likelyX, likelyY] = meets(found.likely);
  const corner = lateX > earlyX && lateY < y(minimumL) ? `L${lateX} ${y(minimumL)}` : "";
  const litres = (value: number) => format(value, "volume", system);
  const told = `${counted.length} levels from ${dateOf(first.at, timeZone)} to ${dateOf(last.at, timeZone)}, the last ${litres(last.missingL)} below the line; minimum ${litres(minimumL)} below`;
  return (
    <Chart
      size={FRAME}
      name={`Coolant level over time${plate && `, ${plate}`}`}
      className="w-full min-w-[30rem] max-w-3xl"
      told={told}
    >
      {ends.length > 0 && (
        <path
          d={`M${startX} ${startY}L${earlyX} ${earlyY}${corner}L${lateX} ${lateY}Z`}
          className="fill-wash stroke-edge"
          strokeDasharray="3 3"
        />
      )}
      <Stroke from={[FRAME.left, y(0)]} to={[FRAME.right, y(0)]} />
      <Stroke from={[FRAME.left, y(minimumL)]} to={[FRAME.right, y(minimumL)]} dash="8 5" />
      <Word at={[FRAME.left - 8, y(0) + 5]} anchor="end">
        line
      </Word>
      <Word at={[FRAME.left - 8, y(minimumL) + 5]} anchor="end">
        minimum
      </Word>
      <Word at={[FRAME.left, FRAME.height - 8]}>{dateOf(first.at, timeZone)}</Word>
      <Word at={[FRAME.right, FRAME.height - 8]} anchor="end">
        {dateOf(new Date(until).toISOString(), timeZone)}
      </Word>
      <Curve path={line} />
      {found.likely && <Curve path={`M${startX} ${startY}L${likelyX} ${likelyY}`} width={2} dash="6 4" />}
      {counted.map((level) => (
        <Dot key={level.at} at={[x(new Date(level.at)), y(level.missingL)]} r={4.5} />
      ))}
    </Chart>
  );
}
