import { area, curveMonotoneX, max, scaleLinear, stack } from "d3";
import { withoutTried } from "../../../core/stages/find/index.ts";
import { beliefHistory } from "../../../core/trade/diagnosis/index.ts";
import { AxisLeft } from "../../charts/axes.tsx";
import { Chart } from "../../charts/Chart.tsx";
import { EdgeLabels } from "../../charts/EdgeLabels.tsx";
import { frameOf } from "../../charts/frame.ts";
import { Stroke, Word } from "../../charts/marks.tsx";
import type { KnownFind } from "./belief/useFind.ts";

const FRAME = frameOf(760, 260, { top: 10, right: 230, bottom: 30, left: 40 });
/** A name longer than that would leave the drawing. */
const LONGEST_NAME = 27;
const MOST_STREAMS = 6;
/** A suspect that never had this much is one of the others. */
const EVER = 0.08;
const OPACITIES = [0.9, 0.7, 0.52, 0.36, 0.24, 0.14];

interface Stream {
  id: string;
  name: string;
  shares: number[];
}

/** The suspects that ever mattered, by where they stand now, and the others as one. */
function streamsOf(find: KnownFind): Stream[] {
  const { model, evidence, ruledOut } = find.state;
  const told = beliefHistory(model, evidence);
  const steps =
    ruledOut.length > 0 ? [...told, { belief: withoutTried(told.at(-1)?.belief ?? {}, ruledOut) }] : told;
  const all = model.hypotheses.map(({ id, name = id }) => ({
    id,
    name,
    shares: steps.map(({ belief }) => belief[id] ?? 0),
  }));
  const last = ({ shares }: Stream) => shares.at(-1) ?? 0;
  const named = all
    .filter(({ shares }) => (max(shares) ?? 0) >= EVER)
    .sort((a, b) => last(b) - last(a))
    .slice(0, MOST_STREAMS);
  const rest = all.filter((stream) => !named.includes(stream));
  const others = steps.map((_, step) => rest.reduce((sum, { shares }) => sum + (shares[step] ?? 0), 0));
  return [...named, { id: "others", name: `${rest.length} others`, shares: others }];
}

const percent = (share: number) => `${Math.round(share * 100)} %`;

/** Belief over the tests done, as streams as wide as their share: how the verdict came about, in one look. */
export function BeliefPicture({ find }: { find: KnownFind }) {
  const { evidence, model } = find.state;
  if (evidence.length === 0) return null;
  const streams = streamsOf(find);
  const steps = streams[0]?.shares.length ?? 0;
  const x = scaleLinear([0, steps - 1], [FRAME.left, FRAME.right]);
  const y = scaleLinear([0, 1], [FRAME.bottom, FRAME.top]);
  const rows = Array.from({ length: steps }, (_, step) =>
    Object.fromEntries(streams.map(({ id, shares }) => [id, shares[step] ?? 0])),
  );
  const layers = stack().keys(streams.map(({ id }) => id).reverse())(rows);
  const shape = area<[number, number]>()
    .x((_, step) => x(step))
    .y0(([low]) => y(low))
    .y1(([, high]) => y(high))
    .curve(curveMonotoneX);
  const nameOf = (index: number) => {
    const result = evidence[index];
    const test = model.tests.find(({ id }) => id === result?.test);
    const outcome = test?.outcomes.find(({ id }) => id === result?.outcome);
    return `${test?.name ?? result?.test}: ${outcome?.name ?? result?.outcome}`;
  };
  const now = streams
    .map(({ id, name }) => {
      const [low = 0, high = 0] = layers.find(({ key }) => key === id)?.[steps - 1] ?? [];
      return { name, share: high - low, y: y((low + high) / 2) };
    })
    .filter(({ share }) => share >= 0.01)
    .sort((a, b) => a.y - b.y);
  const short = (name: string) => (name.length > LONGEST_NAME ? `${name.slice(0, LONGEST_NAME - 1)}…` : name);
  return (
    <figure className="flex flex-col gap-2">
      <Chart
        size={FRAME}
        told={`Belief over ${evidence.length} ${evidence.length === 1 ? "result" : "results"}, now ${now.map(({ name, share }) => `${name} ${percent(share)}`).join(", ")}`}
      >
        {layers.map((layer) => {
          const place = streams.findIndex(({ id }) => id === layer.key);
          return (
            <path
              key={layer.key}
              d={shape(layer.map(([low, high]): [number, number] => [low, high])) ?? ""}
              fill="var(--ink)"
              fillOpacity={layer.key === "others" ? 0.06 : (OPACITIES[place] ?? 0.1)}
              stroke="var(--sheet)"
              strokeWidth="1.5"
            />
          );
        })}
        {rows.map((_, step) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: steps have no name of their own
          <g key={step}>
            <Stroke
              from={[x(step), FRAME.top]}
              to={[x(step), FRAME.bottom]}
              width={1}
              className="stroke-rule"
            />
            <Word at={[x(step), FRAME.height - 8]} anchor="middle" isQuiet>
              {step === 0 ? "before" : step > evidence.length ? "tried" : step}
            </Word>
          </g>
        ))}
        <EdgeLabels
          frame={FRAME}
          labels={now.map(({ name, share, y: middle }) => ({
            y: middle,
            text: `${percent(share)} ${short(name)}`,
          }))}
        />
        <AxisLeft frame={FRAME} scale={y} ticks={[0, 0.5, 1]} words={(share) => share * 100} />
      </Chart>
      <figcaption>
        <ol className="list-decimal pl-6 text-[0.95rem]">
          {evidence.map(({ test }, index) => (
            <li key={test}>{nameOf(index)}</li>
          ))}
        </ol>
      </figcaption>
    </figure>
  );
}
