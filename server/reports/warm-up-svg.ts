import { line, max, min, scaleLinear } from "d3";
import { pushedApart } from "../../core/kernel/drawing/index.ts";
import { SHOWN, type System, toShown } from "../../core/kernel/units/index.ts";
import { cardLines, type TraceAnalysis, type TraceSpec, toleranceOf } from "../../core/trade/trace/index.ts";

const WIDTH = 515;
const HEIGHT = 190;
const EDGE = { top: 10, right: 76, bottom: 26, left: 34 };
const INK = "#211D18";
const RULE = "#B9AD97";
const BAND = "#EADFC8";
const LEAST_APART = 10;

export interface PaperCurve {
  points: readonly { s: number; coolantC: number }[];
  analysis: TraceAnalysis;
  spec: TraceSpec;
}

const EVENTS = { "thermostat-opens": "opens", "fan-on": "fan on", "fan-off": "fan off" } as const;

/** The warm-up as a drawing for paper: temperature against minutes, the card's figures as bands, and what happened on it. */
export function warmUpSvg({ points, analysis, spec }: PaperCurve, system: System): string {
  const shown = (celsius: number) => toShown(celsius, "temperature", system);
  const lines = cardLines(spec);
  const toleranceC = toleranceOf(spec);
  const lowest = Math.min(min(points, ({ coolantC }) => coolantC) ?? 0, 20);
  const highest = Math.max(
    max(points, ({ coolantC }) => coolantC) ?? 100,
    ...lines.map(({ celsius }) => celsius + toleranceC),
  );
  const x = scaleLinear([0, (points.at(-1)?.s ?? 60) / 60], [EDGE.left, WIDTH - EDGE.right]);
  const y = scaleLinear([shown(lowest), shown(highest)], [HEIGHT - EDGE.bottom, EDGE.top]).nice();
  const at = (celsius: number) => y(shown(celsius));
  const curve = line<{ s: number; coolantC: number }>(
    ({ s }) => x(s / 60),
    ({ coolantC }) => at(coolantC),
  );
  const text = (words: string, left: number, top: number, anchor = "start") =>
    `<text x="${left}" y="${top}" font-family="Ours" font-size="8" fill="${INK}" text-anchor="${anchor}">${words}</text>`;
  const named = lines.map(({ celsius, words }) => ({
    y: at(celsius),
    words: `${words} ${Math.round(shown(celsius))}`,
  }));
  const labels = pushedApart(named, LEAST_APART).map(({ at: top, words }) =>
    text(words, WIDTH - EDGE.right + 5, top + 3),
  );
  const bottom = HEIGHT - EDGE.bottom;
  const unit = SHOWN.temperature[system].label;
  const parts = [
    ...lines.map(({ celsius, isElsewhere }) => {
      const [top, foot] = [at(celsius + toleranceC), at(celsius - toleranceC)];
      return isElsewhere
        ? `<path d="M${EDGE.left} ${at(celsius)}H${WIDTH - EDGE.right}" fill="none" stroke="${RULE}" stroke-dasharray="3 3"/>`
        : `<rect x="${EDGE.left}" y="${top}" width="${WIDTH - EDGE.left - EDGE.right}" height="${foot - top}" fill="${BAND}" fill-opacity="0.6"/>`;
    }),
    ...y.ticks(5).map((tick) => text(String(tick), EDGE.left - 4, y(tick) + 3, "end")),
    ...x.ticks(8).map((tick) => text(String(tick), x(tick), bottom + 11, "middle")),
    `<path d="M${EDGE.left} ${EDGE.top}V${bottom}H${WIDTH - EDGE.right}" fill="none" stroke="${RULE}"/>`,
    `<path d="${curve(points) ?? ""}" fill="none" stroke="${INK}" stroke-width="1.4"/>`,
    ...analysis.events.flatMap(({ kind, atS, coolantC }) => {
      const words = EVENTS[kind as keyof typeof EVENTS];
      if (!words) return [];
      const [left, top] = [x(atS / 60), at(coolantC)];
      const isUp = kind !== "fan-off";
      return [
        `<circle cx="${left}" cy="${top}" r="2.4" fill="#FFFFFF" stroke="${INK}"/>`,
        text(words, left, isUp ? top - 5 : top + 11, "middle"),
      ];
    }),
    ...labels,
    text(unit, EDGE.left - 4, EDGE.top - 2, "end"),
    text("minutes", (EDGE.left + WIDTH - EDGE.right) / 2, HEIGHT - 4, "middle"),
  ];
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${WIDTH}" height="${HEIGHT}" viewBox="0 0 ${WIDTH} ${HEIGHT}">${parts.join("")}</svg>`;
}
