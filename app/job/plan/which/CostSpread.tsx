import { scaleLinear } from "d3";
import type { Compared } from "../../../../core/trade/sourcing/index.ts";

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
    // biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls must be reachable by keyboard
    <section tabIndex={0} aria-label="What each comes to" className="overflow-x-auto">
      <svg
        viewBox={`0 0 ${WIDTH} ${height}`}
        className="w-full min-w-[34rem]"
        role="img"
        aria-label={`${told.join("; ")}.`}
      >
        <line x1={LEFT} x2={LEFT} y1={0} y2={height} className="stroke-rule" />
        {compared.map(({ id, expectedCents, p10Cents, p90Cents }, index) => {
          const y = TOP + index * ROW + ROW / 2;
          return (
            <g key={id}>
              <text x={LEFT - 10} y={y + 5} textAnchor="end" className="fill-ink text-[15px]">
                {nameOf(id).slice(0, 30)}
              </text>
              <rect
                x={x(p10Cents)}
                y={y - 8}
                width={Math.max(2, x(p90Cents) - x(p10Cents))}
                height={16}
                className="fill-wash stroke-ink"
              />
              <line
                x1={x(expectedCents)}
                x2={x(expectedCents)}
                y1={y - 15}
                y2={y + 15}
                strokeWidth={4}
                className="stroke-ink"
              />
              <text
                x={Math.max(x(p90Cents), x(expectedCents)) + 10}
                y={y + 5}
                className="figure fill-ink text-[15px]"
              >
                {money(expectedCents)}
              </text>
            </g>
          );
        })}
      </svg>
    </section>
  );
}
