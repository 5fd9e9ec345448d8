import { nearest, type Space, type Unit } from "../../../../core/trade/fit/index.ts";

const rounded = (mm: number) => Number(Math.abs(mm).toFixed(1));

/** What the new unit touches first, in one sentence; nothing where no room was measured. */
export function TouchesFirst({ old, made, space }: { old: Unit; made: Unit; space: Space }) {
  const first = nearest(old, made, space);
  if (!first) return null;
  const { name, gapMm, worstMm, rssMm } = first;
  const left =
    worstMm < 0 ? `${rounded(worstMm)} mm too big at worst` : `${rounded(worstMm)} mm left at worst`;
  return (
    <p>
      <span className="font-bold">Touches first: {name}</span>, {left}; {gapMm < 0 ? "too big by" : ""}{" "}
      {rounded(gapMm)} mm as measured, {rssMm < 0 ? "−" : ""}
      {rounded(rssMm)} where the errors don't all fall together.
    </p>
  );
}
