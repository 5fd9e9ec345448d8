import { scaleLinear } from "d3";
import { clearance, type Space, type Unit } from "../../../../core/trade/fit/index.ts";
import { Chart } from "../../../charts/Chart.tsx";
import { Stroke, Word } from "../../../charts/marks.tsx";

const WIDTH = 720;
const ROW = 84;
const THICK = 44;
const LEFT = 90;

const rounded = (mm: number) => Number(mm.toFixed(1));

interface Row {
  name: string;
  unit: Unit;
}

/**
 * The stack from the face of the radiator backwards, to scale: core, tank, fan, gap, and what stands behind, with the
 * tolerance hatched. Only what was measured is drawn.
 */
export function StackPicture({ old, made, space }: { old: Unit; made: Unit; space: Space }) {
  const room = space.depthMm;
  const rows: Row[] = [
    { name: "old", unit: old },
    { name: "new", unit: made },
  ].filter(({ unit }) => (unit.depthMm ?? unit.coreThicknessMm) !== undefined);
  if (!room || rows.length === 0) return null;
  const fans = space.behind ?? [];
  const drawn = rows.map(({ name, unit }) => {
    const deep = unit.depthMm ?? unit.coreThicknessMm ?? 0;
    const parts = [{ name: "radiator", mm: deep, plusMinusMm: Math.min(1, deep) }, ...fans];
    return { name, unit, deep, parts, ...clearance({ parts, spaceMm: room }) };
  });
  const longest = Math.max(room.mm + room.plusMinusMm, ...drawn.map(({ worstMm }) => room.mm - worstMm));
  const x = scaleLinear([0, longest], [LEFT, WIDTH - 24]);
  const height = drawn.length * ROW + 34;
  return (
    <Chart
      size={{ width: WIDTH, height }}
      className="w-full max-w-3xl"
      told={`The stack to scale: ${drawn
        .map(({ name, gapMm, worstMm }) => `${name}, ${rounded(gapMm)} mm left, ${rounded(worstMm)} at worst`)
        .join("; ")}, before ${space.behindName ?? "what is behind it"}.`}
    >
      <defs>
        <pattern id="give" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <line x1="0" x2="0" y1="0" y2="6" className="stroke-ink" strokeWidth="1.5" />
        </pattern>
      </defs>
      {drawn.map(({ name, unit, deep, parts, gapMm, worstMm }, index) => {
        const y = index * ROW + 14;
        let at = 0;
        const boxes = parts.map((part) => {
          const from = at;
          at += part.mm;
          return { ...part, from };
        });
        const give = parts.reduce((sum, { plusMinusMm }) => sum + plusMinusMm, 0);
        return (
          <g key={name}>
            <text x={4} y={y + THICK / 2 + 6} className="fill-ink font-bold text-[17px]">
              {name}
            </text>
            {boxes.map((part, place) => (
              <g key={part.name}>
                <rect
                  x={x(part.from)}
                  width={x(part.from + part.mm) - x(part.from)}
                  y={y}
                  height={THICK}
                  className={`stroke-ink ${place === 0 ? "fill-wash" : "fill-sheet"}`}
                />
                <Word at={[x(part.from + part.mm / 2), y + THICK / 2 + 5]} anchor="middle">
                  {part.mm >= longest * 0.12 ? `${part.name} ${rounded(part.mm)}` : rounded(part.mm)}
                </Word>
              </g>
            ))}
            {unit.coreThicknessMm !== undefined && unit.coreThicknessMm < deep && (
              <Stroke
                from={[x((deep - unit.coreThicknessMm) / 2), y + THICK - 5]}
                to={[x((deep + unit.coreThicknessMm) / 2), y + THICK - 5]}
                width={4}
              />
            )}
            <rect x={x(at)} width={x(at + give) - x(at)} y={y} height={THICK} fill="url(#give)" />
            <Word at={[x(Math.min(room.mm, longest)) - 6, y + THICK + 16]} anchor="end">
              {gapMm >= 0 ? `${rounded(gapMm)} left, ` : `${rounded(-gapMm)} too deep, `}
              {rounded(worstMm)} at worst
            </Word>
          </g>
        );
      })}
      <Stroke from={[x(room.mm), 4]} to={[x(room.mm), height - 26]} width={4} />
      {room.plusMinusMm > 0 && (
        <rect
          x={x(room.mm - room.plusMinusMm)}
          width={x(room.mm + room.plusMinusMm) - x(room.mm - room.plusMinusMm)}
          y={4}
          height={height - 30}
          fill="url(#give)"
          opacity={0.5}
        />
      )}
      <Word at={[x(room.mm), height - 8]} anchor="end">
        {space.behindName ?? "what is behind it"}, {rounded(room.mm)} mm
      </Word>
    </Chart>
  );
}
