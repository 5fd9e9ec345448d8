import { memo } from "react";
import type { Standing } from "../../../core/trade/diagnosis/index.ts";
import {
  type Circuit,
  COOLANT_PROBES,
  type Component,
} from "../../../core/trade/diagnosis/knowledge/index.ts";
import { VerdictPath } from "../../ui/VerdictMark.tsx";

const WIDTH = 760;
const BOX_HEIGHT = 30;
const ROW = 39;
const TOP = 38;
/** How high a lead between two probes rises: clear of every box. */
const LEAD_TOP = 8;
const GAP = 18;

const STROKES: Record<Standing, { width: number; dashes?: string }> = {
  proven: { width: 4.5 },
  suspect: { width: 2.5, dashes: "7 5" },
  failed: { width: 3, dashes: "9 14" },
  untested: { width: 1.2 },
};

const WORDS: Record<Standing, string> = {
  proven: "proven",
  suspect: "suspect",
  failed: "failed",
  untested: "untested",
};

/** A stretch is as good as the worse of its ends. */
function stretch(a: Standing, b: Standing): Standing {
  if (a === "failed" || b === "failed") return "failed";
  if (a === "suspect" || b === "suspect") return "suspect";
  return a === "proven" && b === "proven" ? "proven" : "untested";
}

interface Place {
  x: number;
  y: number;
  width: number;
}

function placesOf({ components }: Circuit): Map<string, Place> {
  const columns = Math.max(...components.map(({ at }) => at[0])) + 1;
  const firstRow = Math.min(...components.map(({ at }) => at[1]));
  const pitch = WIDTH / columns;
  const width = Math.min(108, pitch - GAP);
  return new Map(
    components.map(({ id, at }) => [
      id,
      { x: at[0] * pitch + pitch / 2, y: TOP + (at[1] - firstRow) * ROW, width },
    ]),
  );
}

/** From one box to the next by right angles. */
function wire(from: Place, to: Place): string {
  if (Math.abs(from.x - to.x) < 1) {
    const down = to.y > from.y ? 1 : -1;
    return `M${from.x} ${from.y + (down * BOX_HEIGHT) / 2}V${to.y - (down * BOX_HEIGHT) / 2}`;
  }
  const right = to.x > from.x ? 1 : -1;
  const start = from.x + (right * from.width) / 2;
  const end = to.x - (right * to.width) / 2;
  const middle = from.y === to.y ? end : end - right * (GAP / 2);
  return `M${start} ${from.y}H${middle}V${to.y}H${end}`;
}

function Box({ component, place, standing }: { component: Component; place: Place; standing: Standing }) {
  const { width, dashes } = STROKES[standing];
  const isEnd = component.id === "battery" || component.id === "ground";
  return (
    <g>
      <rect
        x={place.x - place.width / 2}
        y={place.y - BOX_HEIGHT / 2}
        width={place.width}
        height={BOX_HEIGHT}
        rx={isEnd ? 16 : 4}
        fill="var(--sheet)"
        stroke="var(--ink)"
        strokeWidth={Math.min(width, 3)}
        strokeDasharray={standing === "suspect" ? dashes : undefined}
      />
      <text
        x={place.x}
        y={place.y + 5}
        textAnchor="middle"
        fontSize="13.5"
        fontWeight={standing === "untested" ? 400 : 700}
        fill="var(--ink)"
      >
        {component.name}
      </text>
      {(standing === "proven" || standing === "failed") && (
        <g
          transform={`translate(${place.x + place.width / 2 - 11} ${place.y - BOX_HEIGHT / 2 - 8}) scale(0.8)`}
        >
          <VerdictPath verdict={standing === "proven" ? "pass" : "fail"} />
        </g>
      )}
    </g>
  );
}

/** Where the next test's probes go: a lead between two places, or a ring about one. */
function Probes({ places }: { places: Place[] }) {
  const [from, to] = places;
  if (!from) return null;
  const y = (place: Place) => place.y - BOX_HEIGHT / 2;
  const ends = to ? [from, to] : [from];
  const control = (place: Place) => (4 * LEAD_TOP - y(place)) / 3;
  return (
    <g stroke="var(--ink)" strokeWidth="2.2" fill="none">
      {to && (
        <path
          d={`M${from.x} ${y(from)}C${from.x} ${control(from)} ${to.x} ${control(to)} ${to.x} ${y(to)}`}
        />
      )}
      {ends.map((place) => (
        <circle key={`${place.x} ${place.y}`} cx={place.x} cy={y(place)} r="6" fill="var(--paper)" />
      ))}
    </g>
  );
}

/** Feed on the left, ground on the right; what is proven, suspect, failed and untested, and where the next probes go. */
export const CircuitMap = memo(function CircuitMap({
  circuit,
  standings,
  testId,
}: {
  circuit: Circuit;
  standings: Record<string, Standing>;
  testId?: string;
}) {
  const places = placesOf(circuit);
  const height = Math.max(...[...places.values()].map(({ y }) => y)) + BOX_HEIGHT / 2 + 4;
  const standingOf = (id: string): Standing => standings[id] ?? "untested";
  const probeIds = testId
    ? (circuit.tests.find(({ test }) => test === testId)?.probes ?? COOLANT_PROBES[testId] ?? [])
    : [];
  const probes = probeIds.flatMap((id) => places.get(id) ?? []);
  const names = (standing: Standing) =>
    circuit.components.filter(({ id }) => standingOf(id) === standing).map(({ name }) => name);
  const told = (["failed", "suspect", "proven", "untested"] as const)
    .filter((standing) => names(standing).length > 0)
    .map((standing) => `${WORDS[standing]}: ${names(standing).join(", ")}`)
    .join("; ");
  const probed = probeIds.flatMap((id) => circuit.components.find((each) => each.id === id)?.name ?? []);
  const probeWords =
    probed.length === 0
      ? ""
      : probed.length > 1
        ? `. The next test's leads go to ${probed.join(" and ")}`
        : `. The next test is done at ${probed[0]}`;
  const lines = [
    ...circuit.feeds.map((pair) => ({ pair, isCommand: false })),
    ...circuit.commands.map((pair) => ({ pair, isCommand: true })),
  ];
  return (
    <figure>
      {/* On a phone the map is wider than the screen and slides under the thumb. */}
      {/* biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls must be reachable by keyboard */}
      <section tabIndex={0} aria-label="Circuit map" className="overflow-x-auto">
        <svg
          viewBox={`0 0 ${WIDTH} ${height}`}
          className="w-full min-w-[40rem]"
          role="img"
          aria-label={`Circuit: ${told}${probeWords}`}
        >
          {lines.map(({ pair: [from, to], isCommand }) => {
            const [start, end] = [places.get(from), places.get(to)];
            if (!start || !end) return null;
            const { width, dashes } = STROKES[stretch(standingOf(from), standingOf(to))];
            return (
              <path
                key={`${from} ${to}`}
                d={wire(start, end)}
                fill="none"
                stroke={isCommand ? "var(--ink-2)" : "var(--ink)"}
                strokeWidth={isCommand ? Math.min(width, 2.2) : width}
                strokeDasharray={dashes}
              />
            );
          })}
          {circuit.components.map((component) => {
            const place = places.get(component.id);
            return (
              place && (
                <Box
                  key={component.id}
                  component={component}
                  place={place}
                  standing={standingOf(component.id)}
                />
              )
            );
          })}
          <Probes places={probes} />
        </svg>
      </section>
      <figcaption className="flex flex-wrap justify-between gap-x-6 text-ink-2 text-sm">
        <span className="font-bold text-ink">{circuit.name}</span>
        <span>thick: proven · dashed: suspect · broken: failed · thin: untested</span>
        {probes.length > 0 && (
          <span>
            {probes.length > 1 ? "the rings show where the two leads go" : "the ring shows where to go"}
          </span>
        )}
      </figcaption>
    </figure>
  );
});
