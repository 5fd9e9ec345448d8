import { FIGURES, type HeatFlows } from "./heat-flows.ts";

/** One step of classical Runge and Kutta's fourth order, from `y` into `y`. */
export function stepper(flows: HeatFlows): (y: Float64Array, dt: number) => void {
  const [a, b, c, d, probe] = Array.from({ length: 5 }, () => new Float64Array(FIGURES)) as [
    Float64Array,
    Float64Array,
    Float64Array,
    Float64Array,
    Float64Array,
  ];
  return (y, dt) => {
    flows.rates(y, a);
    for (let i = 0; i < FIGURES; i++) probe[i] = (y[i] as number) + (dt / 2) * (a[i] as number);
    flows.rates(probe, b);
    for (let i = 0; i < FIGURES; i++) probe[i] = (y[i] as number) + (dt / 2) * (b[i] as number);
    flows.rates(probe, c);
    for (let i = 0; i < FIGURES; i++) probe[i] = (y[i] as number) + dt * (c[i] as number);
    flows.rates(probe, d);
    for (let i = 0; i < FIGURES; i++)
      y[i] =
        (y[i] as number) +
        (dt / 6) * ((a[i] as number) + 2 * (b[i] as number) + 2 * (c[i] as number) + (d[i] as number));
  };
}
