import { line, max, min, type ScaleLinear, scaleLinear } from "d3";
import { format, SHOWN, type System, toShown } from "../../../core/kernel/units/index.ts";
import { VERDICT_WORDS } from "../../../core/kernel/verdict/index.ts";
import {
  type CardLine,
  type CurvePoint,
  cardLines,
  eventVerdict,
  type TraceAnalysis,
  type TraceEvent,
  type TraceSpec,
  toleranceOf,
} from "../../../core/trade/trace/index.ts";
import { AxisBottom, AxisLeft } from "../../charts/axes.tsx";
import { Chart } from "../../charts/Chart.tsx";
import { EdgeLabels } from "../../charts/EdgeLabels.tsx";
import { frameOf } from "../../charts/frame.ts";
import { Curve, Stroke, Word } from "../../charts/marks.tsx";
import { placedWords } from "../../charts/placed-words.ts";
import { VerdictPath } from "../../ui/VerdictMark.tsx";
import type { JudgedLog } from "../../workers/judge-log.ts";

const FRAME = frameOf(760, 350, { top: 26, right: 118, bottom: 66, left: 46 });
const REVS_FLOOR = FRAME.height - 22;
const REVS_LANE = 18;
const RADIATOR_LAG =
  "The fan's switch feels the radiator's cooled end, where it is cooler than this curve: its figures are dashed.";

/** As they are told, and as they stand beside their marks. */
const EVENT_WORDS: Record<TraceEvent["kind"], readonly [told: string, short: string]> = {
  "thermostat-opens": ["thermostat opens", "opens"],
  "fan-on": ["fan on", "on"],
  "fan-off": ["fan off", "off"],
  dropout: ["signal drops out", "no signal"],
  "revs-raised": ["revs raised", "revs"],
};
const COLORS: Record<CardLine["does"], string> = {
  opens: "var(--color-warm-2)",
  on: "var(--color-warm-4)",
  off: "var(--color-warm-3)",
};

interface Scales {
  x: ScaleLinear<number, number>;
  y: ScaleLinear<number, number>;
  /** Where a temperature in °C lies. */
  at: (celsius: number) => number;
}

function scalesOf(points: readonly CurvePoint[], spec: TraceSpec, system: System): Scales {
  const shown = (celsius: number) => toShown(celsius, "temperature", system);
  const low = Math.min(min(points, ({ coolantC }) => coolantC) ?? 0, 20);
  const most = cardLines(spec).map(({ celsius }) => celsius + toleranceOf(spec));
  const high = Math.max(max(points, ({ coolantC }) => coolantC) ?? 100, ...most);
  const x = scaleLinear([0, (points.at(-1)?.s ?? 1) / 60], [FRAME.left, FRAME.right]);
  const y = scaleLinear([shown(low), shown(high)], [FRAME.bottom, FRAME.top]).nice();
  return { x, y, at: (celsius) => y(shown(celsius)) };
}

/** The card's figures: bands with their tolerance, and their names at the edge. */
function CardBands({ spec, system, scales }: { spec: TraceSpec; system: System; scales: Scales }) {
  const { at } = scales;
  const lines = cardLines(spec);
  const toleranceC = toleranceOf(spec);
  const unit = SHOWN.temperature[system].label;
  return (
    <>
      {lines.map(({ celsius, does, words, isElsewhere }) => (
        <g key={words} strokeDasharray={isElsewhere ? "5 5" : undefined}>
          {!isElsewhere && (
            <rect
              x={FRAME.left}
              width={FRAME.right - FRAME.left}
              y={at(celsius + toleranceC)}
              height={at(celsius - toleranceC) - at(celsius + toleranceC)}
              fill={COLORS[does]}
              opacity="0.22"
            />
          )}
          <path d={`M${FRAME.left} ${at(celsius)}H${FRAME.right}`} stroke={COLORS[does]} strokeWidth="4" />
          {/* The warm colours alone are too pale on paper to be seen in daylight. */}
          <path d={`M${FRAME.left} ${at(celsius)}H${FRAME.right}`} stroke="var(--edge)" strokeWidth="1" />
        </g>
      ))}
      <EdgeLabels
        frame={FRAME}
        labels={lines.map(({ celsius, words }) => ({
          y: at(celsius),
          text: `${words} ${Math.round(toShown(celsius, "temperature", system))} ${unit}`,
        }))}
      />
    </>
  );
}

/** How fast it turned, as a thin lane below; nothing where the log doesn't say. */
function Revs({ points, x }: { points: readonly CurvePoint[]; x: Scales["x"] }) {
  const most = max(points, ({ rpm }) => rpm ?? 0) ?? 0;
  if (most === 0) return null;
  const y = scaleLinear([0, Math.max(3000, most)], [REVS_FLOOR, REVS_FLOOR - REVS_LANE]);
  const path = line<CurvePoint>(
    ({ s }) => x(s / 60),
    ({ rpm }) => y(rpm ?? 0),
  ).defined(({ rpm }) => rpm !== undefined);
  return (
    <>
      <Curve path={path(points)} width={1.2} isQuiet />
      <Word at={[FRAME.right + 8, REVS_FLOOR - 2]} isQuiet>
        revs
      </Word>
    </>
  );
}

interface Told {
  spec: TraceSpec;
  analysis: TraceAnalysis;
  system: System;
}

/** What happened and that has a place on the curve: raised revs are seen in their own lane. */
const shownOf = ({ events }: TraceAnalysis) => events.filter(({ kind }) => kind !== "revs-raised");

function eventTold(event: TraceEvent, { spec, analysis, system }: Told): string {
  const stage = event.stage && spec.fanOnC.length > 1 ? `, stage ${event.stage},` : "";
  const verdict = VERDICT_WORDS[eventVerdict(event, analysis, spec)];
  return `${EVENT_WORDS[event.kind][0]}${stage} at ${format(event.coolantC, "temperature", system)} after ${Math.round(event.atS / 60)} min, ${verdict}`;
}

/** Everything that happened, by the shape of its verdict on the curve, with a word beside it. */
function Events({ told, scales: { x, at } }: { told: Told; scales: Scales }) {
  const shown = shownOf(told.analysis);
  const labels = placedWords(
    shown.map(({ kind, atS, coolantC }) => ({
      x: x(atS / 60),
      y: at(coolantC),
      isAbove: kind !== "fan-off",
      text: `${EVENT_WORDS[kind][1]} ${Math.round(toShown(coolantC, "temperature", told.system))}`,
    })),
    { top: 12, bottom: FRAME.bottom - 4 },
  );
  return (
    <>
      {shown.map((event) => (
        <g
          key={`${event.kind}${event.atS}`}
          transform={`translate(${x(event.atS / 60) - 9} ${at(event.coolantC) - 9}) scale(0.9)`}
        >
          <title>{eventTold(event, told)}</title>
          <VerdictPath verdict={eventVerdict(event, told.analysis, told.spec)} />
        </g>
      ))}
      {labels.map(({ x: left, y: top, text }) => (
        <Word key={`${text} ${left}`} at={[left, top]} anchor="middle" isOver>
          {text}
        </Word>
      ))}
    </>
  );
}

/** Temperature against minutes, the card's figures as bands with their tolerance, events by verdict shape, revs below. */
export function WarmUpChart({ log, spec, system }: { log: JudgedLog; spec: TraceSpec; system: System }) {
  const { points = [], analysis, marks = [] } = log;
  if (!analysis || points.length < 2) return null;
  const scales = scalesOf(points, spec, system);
  const { x, y, at } = scales;
  const told: Told = { spec, analysis, system };
  const path = line<CurvePoint>(
    ({ s }) => x(s / 60),
    ({ coolantC }) => at(coolantC),
  );
  const minutes = Math.round((points.at(-1)?.s ?? 0) / 60);
  const events = shownOf(analysis).map((event) => eventTold(event, told));
  return (
    <figure>
      <Chart
        size={FRAME}
        name="Warm-up"
        className="w-full min-w-[42rem]"
        told={`Warm-up over ${minutes} minutes, hottest ${format(analysis.peakC, "temperature", system)}. ${events.join("; ")}`}
      >
        <CardBands spec={spec} system={system} scales={scales} />
        <AxisLeft frame={FRAME} scale={y} ticks={y.ticks(6)} unit={SHOWN.temperature[system].label} isRuled />
        <AxisBottom frame={FRAME} scale={x} ticks={x.ticks(8)} unit="minutes" />
        <Stroke from={[FRAME.left, FRAME.bottom]} to={[FRAME.right, FRAME.bottom]} width={1} />
        <Revs points={points} x={x} />
        <Curve path={path(points)} width={2.4} />
        {marks.map(({ s, what }) => (
          <path key={s} d={`M${x(s / 60)} ${FRAME.bottom}v-14`} stroke="var(--ink)" strokeWidth="3">
            <title>{what}</title>
          </path>
        ))}
        <Events told={told} scales={scales} />
      </Chart>
      {spec.fanSenses === "radiator" && <p className="text-[0.95rem] text-ink-2">{RADIATOR_LAG}</p>}
    </figure>
  );
}
