import { scaleLinear } from "d3";
import { useState } from "react";
import { FEWEST_GONE, halfGoneAfter, type PartSpan } from "../../core/stages/earlier-jobs/index.ts";
import { compareGrades, type Life, survival } from "../../core/trade/lifetimes/index.ts";
import { ChipsOne } from "../ui/Chips.tsx";

const WIDTH = 640;
const HEIGHT = 230;
const LEFT = 56;
const RIGHT = 110;
const TOP = 12;
const BOTTOM = 34;
const YEAR = 365;
const MONTH = 30.4;
/** Of lives as far apart as these, one in twenty comes about by chance. */
const UNLIKE = 0.05;
/** Told apart by their dashes, since colour alone tells nobody anything. */
const DASHES = ["", "9 5", "2 4", "12 4 2 4"];

const span = (days: number) =>
  days < 2 * YEAR ? `${Math.round(days / MONTH)} months` : `${Number((days / YEAR).toFixed(1))} years`;

const goneOf = (lives: readonly Life[]) => lives.filter(({ failed }) => failed).length;

/** Lives are told apart by what was bought, or by who sold it. */
const TOLD_BY = ["grade", "supplier"] as const;
type ToldBy = (typeof TOLD_BY)[number];

interface Kind {
  /** The grade, or the supplier where they are told apart by that. */
  grade: string;
  lives: Life[];
}

/** The share still in after so many years, a step down for each that went, with the band that holds the true one. */
function Curves({ kinds }: { kinds: readonly Kind[] }) {
  const longest = Math.max(YEAR, ...kinds.flatMap(({ lives }) => lives.map(({ days }) => days)));
  const x = scaleLinear([0, longest], [LEFT, WIDTH - RIGHT]);
  const y = scaleLinear([1, 0], [TOP, HEIGHT - BOTTOM]);
  const drawn = kinds.map(({ grade, lives }, index) => {
    const rows = survival(lives);
    const end = x(Math.max(...lives.map(({ days }) => days)));
    const steps = (of: (row: (typeof rows)[number]) => number) =>
      `${rows.map((row) => `H${x(row.days)}V${y(of(row))}`).join("")}H${end}`;
    const back = [...rows]
      .reverse()
      .map((row, place, all) => `V${y(row.low)}H${x(row.days)}${place === all.length - 1 ? `V${y(1)}` : ""}`)
      .join("");
    return {
      grade,
      line: `M${LEFT} ${y(1)}${steps(({ share }) => share)}`,
      band: goneOf(lives) >= FEWEST_GONE ? `M${LEFT} ${y(1)}${steps(({ high }) => high)}${back}Z` : "",
      last: y(rows.at(-1)?.share ?? 1),
      end,
      dash: DASHES[index % DASHES.length],
    };
  });
  const told = kinds.map(({ grade, lives }) => {
    const row = survival(lives).at(-1);
    return row
      ? `${grade}: ${Math.round(100 * row.share)} of 100 still in after ${span(row.days)}`
      : `${grade}: none gone`;
  });
  const ticks = x.ticks(Math.min(6, Math.ceil(longest / YEAR))).filter((days) => days <= longest);
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className="w-full max-w-3xl"
      role="img"
      aria-label={told.join("; ")}
    >
      {drawn.map(({ grade, band }) => (
        <path key={grade} d={band} className="fill-wash" opacity={0.7} />
      ))}
      <path
        d={`M${LEFT} ${TOP}V${HEIGHT - BOTTOM}H${WIDTH - RIGHT}`}
        fill="none"
        className="stroke-ink"
        strokeWidth={1.5}
      />
      <g className="fill-ink text-[14px]">
        {[1, 0.5, 0].map((share) => (
          <text key={share} x={LEFT - 8} y={y(share) + 5} textAnchor="end">
            {share === 1 ? "all in" : share === 0 ? "none" : "half"}
          </text>
        ))}
        {ticks.map((days) => (
          <text key={days} x={x(days)} y={HEIGHT - 10} textAnchor="middle">
            {days === 0 ? "new" : `${days} d`}
          </text>
        ))}
        {drawn.map(({ grade, last, end }, index) => (
          <text
            key={grade}
            x={Math.min(end + 8, WIDTH - RIGHT + 8)}
            y={Math.min(HEIGHT - BOTTOM - 6, last + 5 + (last < TOP + 20 ? 16 * index : 0))}
          >
            {grade}
          </text>
        ))}
      </g>
      {drawn.map(({ grade, line, dash }) => (
        <path
          key={grade}
          d={line}
          fill="none"
          className="stroke-ink"
          strokeWidth={2.5}
          strokeDasharray={dash}
        />
      ))}
    </svg>
  );
}

/** What is known of one grade, in words. */
function Said({ grade, lives }: Kind) {
  const gone = goneOf(lives);
  const half = halfGoneAfter(lives);
  const words =
    gone < FEWEST_GONE
      ? `${gone} of ${lives.length} gone: too few to say how long they last.`
      : half === undefined
        ? `${gone} of ${lives.length} gone; more than half outlast what was seen.`
        : `${gone} of ${lives.length} gone; half of them by ${span(half)}.`;
  return (
    <li className="border-rule border-b py-1">
      <span className="font-bold">{grade}</span>: {words}
    </li>
  );
}

/** How long each grade of a part, or each supplier’s, really lasts in this shop's cars, those that still hold counted as long as they were seen. */
export function Lives({ spans }: { spans: readonly PartSpan[] }) {
  const counts = new Map<string, number>();
  for (const { item } of spans) counts.set(item, (counts.get(item) ?? 0) + 1);
  const items = [...counts]
    .sort((a, b) => b[1] - a[1])
    .slice(0, 8)
    .map(([item]) => item);
  const [chosen, setChosen] = useState("");
  const [by, setBy] = useState<ToldBy>("grade");
  const item = items.includes(chosen) ? chosen : items[0];
  if (!item) return null;
  const of = spans.filter((span) => span.item === item);
  const kinds = [...new Set(of.map((span) => span[by]))]
    .sort()
    .map((grade): Kind => ({ grade, lives: of.filter((span) => span[by] === grade) }));
  const told = kinds.filter(({ lives }) => goneOf(lives) >= FEWEST_GONE);
  const [first, second] = told;
  const differ =
    first && second && told.length === 2 ? compareGrades(first.lives, second.lives).p : undefined;
  return (
    <section aria-labelledby="lives" className="mt-8 flex flex-col gap-3">
      <h2 id="lives" className="text-2xl">
        How long they last here
      </h2>
      <ChipsOne label="Part" options={items} value={item} onChange={(next) => next && setChosen(next)} />
      <ChipsOne
        label="Told apart by"
        options={TOLD_BY}
        value={by}
        onChange={(next) => next && setBy(next as ToldBy)}
      />
      <Curves kinds={kinds} />
      <ul className="max-w-3xl">
        {kinds.map((kind) => (
          <Said key={kind.grade} {...kind} />
        ))}
      </ul>
      {differ !== undefined && first && second && (
        <p className="text-ink-2">
          {differ < UNLIKE
            ? `${first.grade} and ${second.grade} last differently: so far apart by chance in ${Math.max(1, Math.round(differ * 1000))} of 1000.`
            : `Whether ${first.grade} and ${second.grade} last differently can't be told from these.`}
        </p>
      )}
    </section>
  );
}
