import { scaleLinear } from "d3";
import { FEWEST_GONE } from "../../core/stages/earlier-jobs/index.ts";
import { type Life, survival } from "../../core/trade/lifetimes/index.ts";
import { AxisBottom, AxisLeft } from "../charts/axes.tsx";
import { Chart } from "../charts/Chart.tsx";
import { frameOf } from "../charts/frame.ts";
import { Curve, Word } from "../charts/marks.tsx";
import { placedWords } from "../charts/placed-words.ts";

const FRAME = frameOf(640, 230, { top: 12, right: 56, bottom: 34, left: 56 });
/** A curve that ends lower than this has its name above it. */
const NAME_ROOM = 50;
const YEAR = 365;
const MONTH = 30.4;
/** Told apart by their dashes, since colour alone tells nobody anything. */
const DASHES = ["", "9 5", "2 4", "12 4 2 4"];
const STILL_IN: Readonly<Record<number, string>> = { 1: "all in", 0.5: "half", 0: "none" };

export interface Kind {
  /** The grade, or the supplier where they are told apart by that. */
  grade: string;
  lives: Life[];
}

export const span = (days: number) =>
  days < 2 * YEAR ? `${Math.round(days / MONTH)} months` : `${Number((days / YEAR).toFixed(1))} years`;

export const goneOf = (lives: readonly Life[]) => lives.filter(({ failed }) => failed).length;

function told({ grade, lives }: Kind): string {
  const row = survival(lives).at(-1);
  return row
    ? `${grade}: ${Math.round(100 * row.share)} of 100 still in after ${span(row.days)}`
    : `${grade}: none gone`;
}

/** The share still in after so many years, a step down for each that went, with the band that holds the true one. */
export function SurvivalCurves({ kinds }: { kinds: readonly Kind[] }) {
  const longest = Math.max(YEAR, ...kinds.flatMap(({ lives }) => lives.map(({ days }) => days)));
  const x = scaleLinear([0, longest], [FRAME.left, FRAME.right]);
  const y = scaleLinear([1, 0], [FRAME.top, FRAME.bottom]);
  const drawn = kinds.map(({ grade, lives }, index) => {
    const rows = survival(lives);
    const end = x(Math.max(...lives.map(({ days }) => days)));
    const steps = (of: (row: (typeof rows)[number]) => number) =>
      `M${FRAME.left} ${y(1)}${rows.map((row) => `H${x(row.days)}V${y(of(row))}`).join("")}H${end}`;
    const back = [...rows]
      .reverse()
      .map((row, place, all) => `V${y(row.low)}H${x(row.days)}${place === all.length - 1 ? `V${y(1)}` : ""}`)
      .join("");
    return {
      grade,
      line: steps(({ share }) => share),
      band: goneOf(lives) >= FEWEST_GONE ? `${steps(({ high }) => high)}${back}Z` : "",
      last: y(rows.at(-1)?.share ?? 1),
      end,
      dash: DASHES[index % DASHES.length],
    };
  });
  const ticks = x.ticks(Math.min(6, Math.ceil(longest / YEAR))).filter((days) => days <= longest);
  return (
    <Chart size={FRAME} className="w-full max-w-3xl" told={kinds.map(told).join("; ")}>
      {drawn.map(({ grade, band }) => (
        <path key={grade} d={band} className="fill-wash" opacity={0.7} />
      ))}
      <Curve path={`M${FRAME.left} ${FRAME.top}V${FRAME.bottom}H${FRAME.right}`} width={1.5} />
      <AxisLeft frame={FRAME} scale={y} ticks={[1, 0.5, 0]} words={(share) => STILL_IN[share]} />
      <AxisBottom
        frame={FRAME}
        scale={x}
        ticks={ticks}
        words={(days) => (days === 0 ? "new" : `${days} d`)}
      />
      {drawn.map(({ grade, line, dash }) => (
        <Curve key={grade} path={line} dash={dash} />
      ))}
      {placedWords(
        drawn.map(({ grade, last, end }) => ({
          x: end,
          y: last - 6,
          isAbove: last >= FRAME.bottom - NAME_ROOM,
          text: grade,
        })),
        { top: 0, bottom: FRAME.bottom },
      ).map(({ x: left, y: top, text }) => (
        <Word key={text} at={[left, top]} anchor="middle" isOver>
          {text}
        </Word>
      ))}
    </Chart>
  );
}
