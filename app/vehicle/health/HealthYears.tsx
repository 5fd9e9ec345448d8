import { line, scaleLinear, scaleUtc } from "d3";
import { declineOf, type HealthPoint, shareError } from "../../../core/trade/health/index.ts";
import type { VehicleHealth } from "../../../server/subjects/vehicles/read-health.ts";
import { AxisBottom, AxisLeft } from "../../charts/axes.tsx";
import { Chart } from "../../charts/Chart.tsx";
import { frameOf } from "../../charts/frame.ts";
import { Curve, Stroke, Word } from "../../charts/marks.tsx";
import { dateOf } from "../../ui/dates.ts";

const FRAME = frameOf(760, 260, { top: 26, right: 24, bottom: 34, left: 54 });
const DAY_MS = 86_400_000;
const percent = (share: number) => Math.round(100 * share);
const dayIn = (iso: string) => Date.parse(iso) / DAY_MS;

/** The months of a year as people say them, for something that is known to a season. */
const seasonOf = (day: number) => {
  const date = new Date(day * DAY_MS);
  const season = ["winter", "spring", "summer", "autumn"][Math.floor(((date.getUTCMonth() + 1) % 12) / 3)];
  return `${season} ${date.getUTCFullYear()}`;
};

interface Years {
  found: { point: HealthPoint; at: string }[];
  /** The log that they are held against, where it is of the same radiator: one of them, and what it passed then. */
  good: HealthPoint | undefined;
  leastShare: number | undefined;
}

/**
 * What was read since the radiator that is in it was fitted, of one good log alone: shares of different logs can't be drawn together.
 * Each log once, as it was read last, on its own day and not on that of its reading.
 */
function yearsOf({ logs, reads, radiatorAt = "" }: VehicleHealth): Years {
  const logAt = (logId: string, otherwise: string) =>
    logs.find((log) => log.logId === logId)?.at ?? otherwise;
  const dated = reads.map((read) => ({ read, at: logAt(read.logId, read.at) }));
  const since = dated.filter(({ read, at }) => at >= radiatorAt && (read.figures.passes?.value ?? 0) > 0);
  const last = since.at(-1)?.read;
  if (!last) return { found: [], good: undefined, leastShare: undefined };
  const same = since.filter(({ read }) => read.againstLogId === last.againstLogId);
  const newest = [...new Map(same.map((each) => [each.read.logId, each])).values()];
  const found = newest.flatMap(({ read, at }) => {
    const { passes } = read.figures;
    return passes
      ? [{ at, point: { day: dayIn(at), share: passes.value, error: shareError("passes", passes) } }]
      : [];
  });
  const goodAt = logAt(last.againstLogId, last.againstDay);
  const error = shareError("passes", { value: 1, error: 0 });
  return {
    found,
    good: goodAt >= radiatorAt ? { day: dayIn(goodAt), share: 1, error } : undefined,
    leastShare: same.findLast(({ read }) => read.leastShare !== undefined)?.read.leastShare,
  };
}

function prospect(leastShare: number | undefined, decline: ReturnType<typeof declineOf>): string {
  if ("because" in decline) return decline.because;
  const rate = `By the year it passes ${Math.abs(percent(decline.perYear))} % ${decline.perYear < 0 ? "less" : "more"} of what it did, within ${percent(1.645 * decline.error)} %.`;
  if (leastShare === undefined) return rate;
  const held = `To stand through a hot day, the school queue at 38 °C with air conditioning, wants ${percent(leastShare)} %, a climb more`;
  const when = decline.reaches(leastShare);
  if (!when) return `${rate} ${held}: not in sight.`;
  const until = when.latest === undefined ? "or much later" : `at the latest in ${seasonOf(when.latest)}`;
  return `${rate} ${held}: it will no longer do it from about ${seasonOf(when.likely)}, at the soonest in ${seasonOf(when.soonest)}, ${until}.`;
}

/** What a radiator passed over the years, as it was booked, and when it will no longer hold a hot day. */
export function HealthYears({ of, timeZone }: { of: VehicleHealth; timeZone: string }) {
  const { found, good, leastShare } = yearsOf(of);
  if (found.length === 0) return null;
  const points = found.map(({ point }) => point);
  const all = good ? [good, ...points] : points;
  const decline = declineOf(all);
  const days = all.map(({ day }) => day);
  const [from, to] = [Math.min(...days), Math.max(...days)];
  const room = Math.max(30, 0.06 * (to - from));
  const x = scaleUtc([(from - room) * DAY_MS, (to + room) * DAY_MS], [FRAME.left, FRAME.right]);
  const most = Math.max(1.1, ...points.map(({ share, error }) => share + 1.645 * error));
  const y = scaleLinear([0, most], [FRAME.bottom, FRAME.top]);
  const at = (day: number) => x(day * DAY_MS);
  const words = prospect(leastShare, decline);
  const path = line<HealthPoint>(
    ({ day }) => at(day),
    ({ share }) => y(share),
  );
  return (
    <section aria-labelledby="health-years" className="flex flex-col gap-2">
      <h3 id="health-years" className="text-xl">
        What the radiator passes, over the years
      </h3>
      <p>{words}</p>
      <Chart
        size={FRAME}
        name="Over the years"
        className="w-full min-w-[36rem]"
        told={`Heat that the radiator passes, of what it did in its good log: ${found
          .map(
            ({ at: day, point }) =>
              `${percent(point.share)} ± ${percent(point.error)} % on ${dateOf(day, timeZone)}`,
          )
          .join("; ")}. ${words}`}
      >
        <AxisLeft
          frame={FRAME}
          scale={y}
          ticks={[0, 0.25, 0.5, 0.75, 1]}
          words={(share) => `${percent(share)} %`}
          isRuled
        />
        <AxisBottom
          frame={FRAME}
          scale={(ms) => x(ms)}
          ticks={x.ticks(6).map(Number)}
          words={(ms) => dateOf(new Date(ms).toISOString(), "UTC").replace(/^\d+ /, "")}
        />
        {leastShare !== undefined && (
          <>
            <Stroke from={[FRAME.left, y(leastShare)]} to={[FRAME.right, y(leastShare)]} dash="4 5" />
            <Word at={[FRAME.left + 6, y(leastShare) - 6]} isOver>
              standing on a hot day wants {percent(leastShare)} %
            </Word>
          </>
        )}
        {good && (
          <rect
            x={at(good.day) - 5}
            y={y(1) - 5}
            width={10}
            height={10}
            fill="var(--paper)"
            stroke="var(--ink)"
            strokeWidth="2"
          >
            <title>the good log</title>
          </rect>
        )}
        {!("because" in decline) && (
          <Curve
            path={path([from, to].map((day) => ({ day, share: decline.at(day), error: 0 })))}
            dash="7 5"
            width={1.6}
          />
        )}
        {points.map(({ day, share, error }) => (
          <g key={`${day} ${share}`}>
            <Stroke
              from={[at(day), y(Math.max(0, share - 1.645 * error))]}
              to={[at(day), y(share + 1.645 * error)]}
            />
            <rect x={at(day) - 5} y={y(share) - 5} width={10} height={10} fill="var(--ink)" />
          </g>
        ))}
      </Chart>
    </section>
  );
}
