import { line, max, min, scaleLinear } from "d3";
import { format, SHOWN, type System, toShown } from "../../../core/kernel/units/index.ts";
import type { Verdict } from "../../../core/kernel/verdict/index.ts";
import type { CurvePoint, TraceEvent, TraceSpec } from "../../../core/trade/trace/index.ts";
import { VerdictPath } from "../../ui/VerdictMark.tsx";
import type { JudgedLog } from "../../workers/judge-log.ts";

const WIDTH = 760;
const HEIGHT = 350;
const MARGIN = { top: 26, right: 118, bottom: 66, left: 46 };
const REVS_LANE = 18;
const RADIATOR_LAG =
  "The fan's switch feels the radiator's cooled end, where it is cooler than this curve: its figures are dashed.";
const TOLERANCE_C = 4;

const EVENT_WORDS: Record<TraceEvent["kind"], string> = {
  "thermostat-opens": "thermostat opens",
  "fan-on": "fan on",
  "fan-off": "fan off",
  dropout: "signal drops out",
  "revs-raised": "revs raised",
};

const SHORT_WORDS: Record<TraceEvent["kind"], string> = {
  "thermostat-opens": "opens",
  "fan-on": "on",
  "fan-off": "off",
  dropout: "no signal",
  "revs-raised": "revs",
};

/** What a letter of a label takes, and how far apart its rows are. */
const LETTER_WIDTH = 7.5;
const LABEL_HEIGHT = 16;
const LABEL_ROWS = 3;

interface Label {
  x: number;
  y: number;
  text: string;
  /** What comes on is told above its mark, what goes off below it. */
  isAbove: boolean;
}

/** Each event's word by its mark, in the first row that is clear of those before it; left out where there is none. */
function eventLabels(events: readonly Label[]): Label[] {
  const placed: Label[] = [];
  for (const event of events) {
    const isFree = (y: number) =>
      placed.every(
        (other) =>
          Math.abs(other.x - event.x) > ((other.text.length + event.text.length) / 2) * LETTER_WIDTH ||
          Math.abs(other.y - y) >= LABEL_HEIGHT,
      );
    const places = Array.from({ length: LABEL_ROWS }, (_, row) =>
      event.isAbove ? event.y - 16 - row * LABEL_HEIGHT : event.y + 24 + row * LABEL_HEIGHT,
    );
    const y = places.find((place) => isFree(place) && place > 12 && place < HEIGHT - MARGIN.bottom - 4);
    if (y !== undefined) placed.push({ ...event, y });
  }
  return placed;
}

interface Band {
  celsius: number;
  color: string;
  label: string;
  /** Felt in the radiator: no figure of the engine's own curve. */
  isElsewhere: boolean;
}

function bandsOf(spec: TraceSpec): Band[] {
  const isElsewhere = spec.fanSenses === "radiator";
  const stage = (index: number) => (spec.fanOnC.length === 1 ? "fan" : index === 0 ? "low" : "high");
  return [
    { celsius: spec.thermostatOpensC, color: "var(--color-warm-2)", label: "opens", isElsewhere: false },
    ...spec.fanOnC.map((celsius, index) => ({
      celsius,
      color: "var(--color-warm-4)",
      label: `${stage(index)} on`,
      isElsewhere,
    })),
    ...spec.fanOffC.map((celsius, index) => ({
      celsius,
      color: "var(--color-warm-3)",
      label: `${stage(index)} off`,
      isElsewhere,
    })),
  ];
}

/** Labels on the right edge pushed apart so that none covers another. */
function spread(bands: { y: number; text: string }[]): { y: number; at: number; text: string }[] {
  const sorted = [...bands].sort((a, b) => a.y - b.y);
  let last = Number.NEGATIVE_INFINITY;
  return sorted.map(({ y, text }) => {
    last = Math.max(y, last + 17);
    return { y, at: last, text };
  });
}

function verdictOf(
  event: TraceEvent,
  { checks }: NonNullable<JudgedLog["analysis"]>,
  spec: TraceSpec,
): Verdict {
  if (event.kind === "thermostat-opens") return checks.thermostat.verdict;
  if (event.kind !== "fan-on" && event.kind !== "fan-off") return "fail";
  const { verdict } = event.kind === "fan-on" ? checks.fanOn : checks.fanOff;
  // One stage may fail while another is as it should be: then each start and stop speaks for itself.
  if (verdict !== "fail" || spec.fanSenses === "radiator") return verdict;
  const wanted = (event.kind === "fan-on" ? spec.fanOnC : spec.fanOffC)[(event.stage ?? 1) - 1];
  const isNear =
    wanted !== undefined && Math.abs(event.coolantC - wanted) <= (spec.toleranceC ?? TOLERANCE_C);
  return isNear ? "pass" : "fail";
}

/** Temperature against minutes, the card's figures as bands with their tolerance, events by verdict shape, revs below. */
export function WarmUpChart({ log, spec, system }: { log: JudgedLog; spec: TraceSpec; system: System }) {
  const { points = [], analysis, marks = [] } = log;
  if (!analysis || points.length < 2) return null;
  const bands = bandsOf(spec);
  const lastS = points.at(-1)?.s ?? 1;
  const low = Math.min(min(points, (point) => point.coolantC) ?? 0, 20);
  const high = Math.max(
    max(points, (point) => point.coolantC) ?? 100,
    ...bands.map((band) => band.celsius + TOLERANCE_C),
  );
  const x = scaleLinear([0, lastS / 60], [MARGIN.left, WIDTH - MARGIN.right]);
  const y = scaleLinear(
    [toShown(low, "temperature", system), toShown(high, "temperature", system)],
    [HEIGHT - MARGIN.bottom, MARGIN.top],
  ).nice();
  const at = (celsius: number) => y(toShown(celsius, "temperature", system));
  const curve = line<CurvePoint>(
    (point) => x(point.s / 60),
    (point) => at(point.coolantC),
  );
  const bottom = HEIGHT - MARGIN.bottom;
  const unit = SHOWN.temperature[system].label;
  const labels = spread(
    bands.map((band) => ({
      y: at(band.celsius),
      text: `${band.label} ${Math.round(toShown(band.celsius, "temperature", system))}`,
    })),
  );
  const mostRevs = max(points, (point) => point.rpm ?? 0) ?? 0;
  const revs = scaleLinear([0, Math.max(3000, mostRevs)], [HEIGHT - 22, HEIGHT - 22 - REVS_LANE]);
  const revsLine = line<CurvePoint>(
    (point) => x(point.s / 60),
    (point) => revs(point.rpm ?? 0),
  ).defined((point) => point.rpm !== undefined);
  const shown = analysis.events.filter((event) => event.kind !== "revs-raised");
  const eventWords = (event: TraceEvent) =>
    `${EVENT_WORDS[event.kind]}${event.stage && spec.fanOnC.length > 1 ? `, stage ${event.stage},` : ""} at ${format(event.coolantC, "temperature", system)} after ${Math.round(event.atS / 60)} min, ${verdictOf(event, analysis, spec).replace("-", " ")}`;
  const told = shown.map(eventWords).join("; ");
  return (
    <figure>
      {/* Its text stays readable on a phone: the chart slides under the thumb instead of shrinking. */}
      {/* biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls must be reachable by keyboard */}
      <section tabIndex={0} aria-label="Warm-up" className="overflow-x-auto">
        <svg
          viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
          className="w-full min-w-[42rem]"
          role="img"
          aria-label={`Warm-up over ${Math.round(lastS / 60)} minutes, hottest ${format(analysis.peakC, "temperature", system)}. ${told}`}
        >
          {bands
            .filter(({ isElsewhere }) => !isElsewhere)
            .map((band) => (
              <rect
                key={band.label}
                x={MARGIN.left}
                width={WIDTH - MARGIN.left - MARGIN.right}
                y={at(band.celsius + TOLERANCE_C)}
                height={at(band.celsius - TOLERANCE_C) - at(band.celsius + TOLERANCE_C)}
                fill={band.color}
                opacity="0.22"
              />
            ))}
          {bands.map((band) => (
            <g key={band.label} strokeDasharray={band.isElsewhere ? "5 5" : undefined}>
              <path
                d={`M${MARGIN.left} ${at(band.celsius)}H${WIDTH - MARGIN.right}`}
                stroke={band.color}
                strokeWidth="4"
              />
              {/* The warm colours alone are too pale on paper to be seen in daylight. */}
              <path
                d={`M${MARGIN.left} ${at(band.celsius)}H${WIDTH - MARGIN.right}`}
                stroke="var(--edge)"
                strokeWidth="1"
              />
            </g>
          ))}
          {labels.map((label) => (
            <g key={label.text}>
              <path
                d={`M${WIDTH - MARGIN.right} ${label.y}L${WIDTH - MARGIN.right + 10} ${label.at}`}
                stroke="var(--edge)"
              />
              <text x={WIDTH - MARGIN.right + 14} y={label.at + 5} fontSize="14" fill="var(--ink)">
                {label.text} {unit}
              </text>
            </g>
          ))}
          {y.ticks(6).map((tick) => (
            <g key={tick}>
              <path d={`M${MARGIN.left} ${y(tick)}H${WIDTH - MARGIN.right}`} stroke="var(--rule)" />
              <text x={MARGIN.left - 8} y={y(tick) + 5} textAnchor="end" fontSize="14" fill="var(--ink-2)">
                {tick}
              </text>
            </g>
          ))}
          {x.ticks(8).map((tick) => (
            <g key={tick}>
              <path d={`M${x(tick)} ${bottom}v5`} stroke="var(--ink)" />
              <text x={x(tick)} y={bottom + 20} textAnchor="middle" fontSize="14" fill="var(--ink-2)">
                {tick}
              </text>
            </g>
          ))}
          <path d={`M${MARGIN.left} ${bottom}H${WIDTH - MARGIN.right}`} stroke="var(--ink)" />
          <text x={WIDTH - MARGIN.right + 8} y={bottom + 20} fontSize="14" fill="var(--ink-2)">
            minutes
          </text>
          <text x={MARGIN.left - 8} y={MARGIN.top - 12} textAnchor="end" fontSize="14" fill="var(--ink-2)">
            {unit}
          </text>
          {mostRevs > 0 && (
            <>
              <path d={revsLine(points) ?? ""} fill="none" stroke="var(--ink-2)" strokeWidth="1.2" />
              <text x={WIDTH - MARGIN.right + 8} y={HEIGHT - 24} fontSize="14" fill="var(--ink-2)">
                revs
              </text>
            </>
          )}
          <path
            d={curve(points) ?? ""}
            fill="none"
            stroke="var(--ink)"
            strokeWidth="2.4"
            strokeLinejoin="round"
          />
          {marks.map((mark) => (
            <path key={mark.s} d={`M${x(mark.s / 60)} ${bottom}v-14`} stroke="var(--ink)" strokeWidth="3">
              <title>{mark.what}</title>
            </path>
          ))}
          {shown.map((event) => (
            <g
              key={`${event.kind}${event.atS}`}
              transform={`translate(${x(event.atS / 60) - 9} ${at(event.coolantC) - 9}) scale(0.9)`}
            >
              <title>{eventWords(event)}</title>
              <VerdictPath verdict={verdictOf(event, analysis, spec)} />
            </g>
          ))}
          {eventLabels(
            shown.map((event) => ({
              x: x(event.atS / 60),
              y: at(event.coolantC),
              isAbove: event.kind !== "fan-off",
              text: `${SHORT_WORDS[event.kind]} ${Math.round(toShown(event.coolantC, "temperature", system))}`,
            })),
          ).map((label) => (
            <text
              key={`${label.text} ${label.x}`}
              x={label.x}
              y={label.y}
              textAnchor="middle"
              fontSize="13.5"
              fill="var(--ink)"
              stroke="var(--paper)"
              strokeWidth="3"
              paintOrder="stroke"
            >
              {label.text}
            </text>
          ))}
        </svg>
      </section>
      {spec.fanSenses === "radiator" && <p className="text-[0.95rem] text-ink-2">{RADIATOR_LAG}</p>}
    </figure>
  );
}
