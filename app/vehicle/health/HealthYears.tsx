import { line, scaleLinear, scaleUtc } from "d3";
import { declineOf, type HealthPoint, shareError } from "../../../core/trade/health/index.ts";
import type { HealthOfVehicle, VehicleHealth } from "../../../server/subjects/vehicles/read-health.ts";
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

/** What was read since the radiator that is in it was fitted, of one good log alone: shares of different logs can't be drawn together. */
function pointsOf({
  reads,
  radiatorAt = "",
}: VehicleHealth): { point: HealthPoint; read: HealthOfVehicle }[] {
  const since = reads.filter((read) => read.at >= radiatorAt && read.figures.passes);
  const against = since.at(-1)?.againstLogId;
  return since.flatMap((read) => {
    const { passes } = read.figures;
    if (!passes || passes.value <= 0 || read.againstLogId !== against) return [];
    return [
      { read, point: { day: dayIn(read.at), share: passes.value, error: shareError("passes", passes) } },
    ];
  });
}

/** The log that the others are held against is one of them: what it passed then, known as well as they are. */
const withGood = (goodDay: number, points: readonly HealthPoint[]): HealthPoint[] => [
  { day: goodDay, share: 1, error: shareError("passes", { value: 1, error: 0 }) },
  ...points,
];

function prospect(of: VehicleHealth, decline: ReturnType<typeof declineOf>): string {
  if ("because" in decline) return decline.because;
  const rate = `By the year it passes ${Math.abs(percent(decline.perYear))} % ${decline.perYear < 0 ? "less" : "more"} of what it did, within ${percent(1.645 * decline.error)} %.`;
  const { leastShare } = of.reads.findLast((read) => read.leastShare !== undefined) ?? {};
  if (leastShare === undefined) return rate;
  const held = `To stand through a hot day, the school queue at 38 °C with air conditioning, wants ${percent(leastShare)} %, a climb more`;
  const when = decline.reaches(leastShare);
  if (!when) return `${rate} ${held}: not in sight.`;
  const until = when.latest === undefined ? "or much later" : `at the latest in ${seasonOf(when.latest)}`;
  return `${rate} ${held}: it will no longer do it from about ${seasonOf(when.likely)}, at the soonest in ${seasonOf(when.soonest)}, ${until}.`;
}

/** What a radiator passed over the years, as it was booked, and when it will no longer hold a hot day. */
export function HealthYears({ of, timeZone }: { of: VehicleHealth; timeZone: string }) {
  const found = pointsOf(of);
  if (found.length === 0) return null;
  const points = found.map(({ point }) => point);
  const good = found[0]?.read.againstDay ?? "";
  const goodDay = dayIn(good);
  const decline = declineOf(withGood(goodDay, points));
  const [from, to] = [
    Math.min(goodDay, ...points.map(({ day }) => day)),
    Math.max(...points.map(({ day }) => day)),
  ];
  const room = Math.max(30, 0.06 * (to - from));
  const x = scaleUtc([(from - room) * DAY_MS, (to + room) * DAY_MS], [FRAME.left, FRAME.right]);
  const most = Math.max(1.1, ...points.map(({ share, error }) => share + 1.645 * error));
  const y = scaleLinear([0, most], [FRAME.bottom, FRAME.top]);
  const at = (day: number) => x(day * DAY_MS);
  const words = prospect(of, decline);
  const path = line<HealthPoint>(
    ({ day }) => at(day),
    ({ share }) => y(share),
  );
  const { leastShare } = of.reads.findLast((read) => read.leastShare !== undefined) ?? {};
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
        told={`Heat that the radiator passes, of that on ${dateOf(good, timeZone)}: ${found
          .map(
            ({ read, point }) =>
              `${percent(point.share)} ± ${percent(point.error)} % on ${dateOf(read.at, timeZone)}`,
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
        <rect
          x={at(goodDay) - 5}
          y={y(1) - 5}
          width={10}
          height={10}
          fill="var(--paper)"
          stroke="var(--ink)"
          strokeWidth="2"
        >
          <title>the good log</title>
        </rect>
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
