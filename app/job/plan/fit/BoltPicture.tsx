import { scaleLinear } from "d3";
import type { BoltLength, Joint } from "../../../../core/trade/fit/index.ts";
import { Chart } from "../../../charts/Chart.tsx";
import { Stroke, Word } from "../../../charts/marks.tsx";

const WIDTH = 640;
const HEIGHT = 150;
const AXIS = 70;
const HEAD = 34;

/** The joint in section, to scale along the bolt: what it goes through, what it goes into, where it ends. */
export function BoltPicture({
  joint,
  bolt,
}: {
  joint: Joint;
  bolt: Exclude<BoltLength, { refused: string }>;
}) {
  const { stackMm, thread, seat } = joint;
  const through = stackMm.reduce((sum, each) => sum + each, 0);
  const seatMm = seat.kind === "nut" ? seat.heightMm : seat.kind === "insert" ? seat.lengthMm : seat.depthMm;
  const whole = Math.max(bolt.lengthMm, through + seatMm) + 4;
  const x = scaleLinear([0, whole], [HEAD + 10, WIDTH - 20]);
  const half = Math.min(24, (thread.diameterMm * (x(1) - x(0))) / 2);
  let at = 0;
  const layers = stackMm.map((thick, index) => {
    const from = at;
    at += thick;
    return { key: `${index}: ${thick}`, from, thick };
  });
  return (
    <Chart
      size={{ width: WIDTH, height: HEIGHT }}
      className="w-full max-w-2xl"
      told={`The bolt goes through ${stackMm.join(", ")} mm and ${Number((bolt.lengthMm - through).toFixed(1))} mm into the ${seat.kind === "tapped" ? "hole" : seat.kind}, which is ${seatMm} mm.`}
    >
      {layers.map(({ key, from, thick }, index) => (
        <g key={key}>
          <rect
            x={x(from)}
            width={x(from + thick) - x(from)}
            y={18}
            height={104}
            className={`stroke-ink ${index % 2 ? "fill-sheet" : "fill-wash"}`}
          />
          <Word at={[x(from + thick / 2), 138]} anchor="middle" isFigure>
            {thick}
          </Word>
        </g>
      ))}
      <rect
        x={x(through)}
        width={x(through + seatMm) - x(through)}
        y={28}
        height={84}
        strokeDasharray={seat.kind === "tapped" ? undefined : "5 4"}
        className="fill-none stroke-ink"
      />
      <Word at={[x(through + seatMm / 2), 138]} anchor="middle" isFigure>
        {seat.kind === "tapped" ? "hole" : seat.kind} {seatMm}
      </Word>
      <rect x={x(0) - HEAD} width={HEAD} y={AXIS - half * 1.7} height={half * 3.4} className="fill-ink" />
      <rect
        x={x(0)}
        width={x(bolt.lengthMm) - x(0)}
        y={AXIS - half}
        height={half * 2}
        className="fill-ink opacity-80"
      />
      <Stroke from={[x(bolt.lengthMm), 6]} to={[x(bolt.lengthMm), 126]} width={2} />
      <Word at={[x(bolt.lengthMm) - 6, 13]} anchor="end" isFigure>
        {bolt.lengthMm} mm
      </Word>
    </Chart>
  );
}
