import { line, scaleLinear, scaleLog } from "d3";
import { format, SHOWN, type System } from "../../../../core/kernel/units/index.ts";
import { type SensorFit, temperatureFromOhms } from "../../../../core/trade/electrics/index.ts";
import { AxisBottom, AxisLeft } from "../../../charts/axes.tsx";
import { Chart } from "../../../charts/Chart.tsx";
import { frameOf } from "../../../charts/frame.ts";
import { Curve, Dot } from "../../../charts/marks.tsx";

const FRAME = frameOf(320, 160, { top: 8, right: 26, bottom: 28, left: 56 });
const STEPS = 80;
const HOTTEST_C = 120;

interface Given {
  fit: SensorFit;
  ohms: number;
  actualC: number;
  system: System;
}

/** Ohms against °C with the point measured: on the line is a sound sensor. */
export function SensorCurve({ fit, ohms, actualC, system }: Given) {
  const x = scaleLinear([0, HOTTEST_C], [FRAME.left, FRAME.right]);
  const y = scaleLog([60, 8000], [FRAME.bottom, FRAME.top]).clamp(true);
  const points = scaleLog([70, 7000], [0, 1]);
  const curve = Array.from({ length: STEPS }, (_, step) => points.invert(step / (STEPS - 1)))
    .map((each) => ({ ohms: each, celsius: temperatureFromOhms(fit, each) }))
    .filter(({ celsius }) => celsius >= 0 && celsius <= HOTTEST_C);
  const path = line<(typeof curve)[number]>(
    ({ celsius }) => x(celsius),
    (each) => y(each.ohms),
  )(curve);
  const isShown = Number.isFinite(ohms) && Number.isFinite(actualC);
  return (
    <Chart
      size={FRAME}
      className="w-80"
      told={`The sensor's ohms against ${SHOWN.temperature[system].label}, with the point measured`}
    >
      <AxisLeft
        frame={FRAME}
        scale={y}
        ticks={[100, 1000]}
        words={(tick) => (tick === 1000 ? "1 kΩ" : "100 Ω")}
        isRuled
      />
      <AxisBottom
        frame={FRAME}
        scale={x}
        ticks={[0, 40, 80, 120]}
        words={(tick) => format(tick, "temperature", system)}
      />
      <Curve path={path} width={2} />
      {isShown && <Dot at={[x(actualC), y(Math.max(ohms, 60))]} />}
    </Chart>
  );
}
