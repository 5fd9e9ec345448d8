import { scaleLinear, scaleTime } from "d3";
import { format, type System } from "../../../core/kernel/units/index.ts";
import { countedLevels, reaches, type SeenLevel } from "../../../core/trade/leaks/index.ts";
import { dateOf } from "../../ui/dates.ts";

const WIDTH = 640;
const HEIGHT = 220;
const LEFT = 76;
const RIGHT = 16;
const TOP = 24;
const BOTTOM = 32;
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
  const x = scaleTime([new Date(first.at), new Date(until)], [LEFT, WIDTH - RIGHT]);
  const deepest = Math.max(minimumL * 1.1, ...counted.map(({ missingL }) => missingL));
  const y = scaleLinear(
    [Math.min(0, ...counted.map(({ missingL }) => missingL)), deepest],
    [TOP, HEIGHT - BOTTOM],
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
    <section
      // biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls must be reachable by keyboard
      tabIndex={0}
      aria-label={`Coolant level over time${plate && `, ${plate}`}`}
      className="overflow-x-auto"
    >
      <svg
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        className="w-full min-w-[30rem] max-w-3xl"
        role="img"
        aria-label={told}
      >
        {ends.length > 0 && (
          <path
            d={`M${startX} ${startY}L${earlyX} ${earlyY}${corner}L${lateX} ${lateY}Z`}
            className="fill-wash stroke-edge"
            strokeDasharray="3 3"
          />
        )}
        <line x1={LEFT} x2={WIDTH - RIGHT} y1={y(0)} y2={y(0)} className="stroke-ink" strokeWidth={1.5} />
        <line
          x1={LEFT}
          x2={WIDTH - RIGHT}
          y1={y(minimumL)}
          y2={y(minimumL)}
          className="stroke-ink"
          strokeWidth={1.5}
          strokeDasharray="8 5"
        />
        <g className="fill-ink text-[14px]">
          <text x={LEFT - 8} y={y(0) + 5} textAnchor="end">
            line
          </text>
          <text x={LEFT - 8} y={y(minimumL) + 5} textAnchor="end">
            minimum
          </text>
          <text x={LEFT} y={HEIGHT - 8}>
            {dateOf(first.at, timeZone)}
          </text>
          <text x={WIDTH - RIGHT} y={HEIGHT - 8} textAnchor="end">
            {dateOf(new Date(until).toISOString(), timeZone)}
          </text>
        </g>
        <path d={line} fill="none" className="stroke-ink" strokeWidth={2.5} />
        {found.likely && (
          <path
            d={`M${startX} ${startY}L${likelyX} ${likelyY}`}
            fill="none"
            className="stroke-ink"
            strokeWidth={2}
            strokeDasharray="6 4"
          />
        )}
        {counted.map((level) => (
          <circle
            key={level.at}
            cx={x(new Date(level.at))}
            cy={y(level.missingL)}
            r={4.5}
            className="fill-paper stroke-ink"
            strokeWidth={2}
          />
        ))}
      </svg>
    </section>
  );
}
