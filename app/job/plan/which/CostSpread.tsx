import { scaleLinear } from "d3";
import type { Compared } from "../../../../core/trade/sourcing/index.ts";
import { Chart } from "../../../charts/Chart.tsx";
import { Stroke, Word } from "../../../charts/marks.tsx";

const WIDTH = 760;
const ROW = 44;
const LEFT = 240;
const RIGHT = 20;
const TOP = 6;

interface Given {
  compared: readonly Compared[];
  nameOf: (id: string) => string;
  money: (minor: number) => string;
}

/** What each option comes to: the average as a mark, and a bar in which eight of ten jobs end. */
export function CostSpread({ compared, nameOf, money }: Given) {
  const most = Math.max(...compared.map(({ p90Cents, expectedCents }) => Math.max(p90Cents, expectedCents)));
  const x = scaleLinear([0, most], [LEFT, WIDTH - RIGHT - 90]);
  const height = TOP + compared.length * ROW;
  const told = compared.map(
    ({ id, expectedCents, p10Cents, p90Cents }) =>
      `${nameOf(id)} ${money(expectedCents)} on average, eight of ten between ${money(p10Cents)} and ${money(p90Cents)}`,
  );
  return (
    <Chart
      size={{ width: WIDTH, height }}
      name="What each comes to"
      className="w-full min-w-[34rem]"
      told={`${told.join("; ")}.`}
    >
      <Stroke from={[LEFT, 0]} to={[LEFT, height]} width={1} className="stroke-rule" />
      {compared.map(({ id, expectedCents, p10Cents, p90Cents }, index) => {
        const y = TOP + index * ROW + ROW / 2;
        return (
          <g key={id}>
            <Word at={[LEFT - 10, y + 5]} anchor="end">
              {nameOf(id).slice(0, 30)}
            </Word>
            <rect
              x={x(p10Cents)}
              y={y - 8}
              width={Math.max(2, x(p90Cents) - x(p10Cents))}
              height={16}
              className="fill-wash stroke-ink"
            />
            <Stroke from={[x(expectedCents), y - 15]} to={[x(expectedCents), y + 15]} width={4} />
            <Word at={[Math.max(x(p90Cents), x(expectedCents)) + 10, y + 5]} isFigure>
              {money(expectedCents)}
            </Word>
          </g>
        );
      })}
    </Chart>
  );
}
