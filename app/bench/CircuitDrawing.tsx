import { SHOWN, toShown } from "../../core/kernel/units/index.ts";
import { upperHoseC } from "../../core/trade/thermal/index.ts";
import { Chart } from "../charts/Chart.tsx";
import { Stroke, Word } from "../charts/marks.tsx";
import { useMember } from "../desk/member.ts";
import type { BenchHere } from "./useBench.ts";

const SIZE = { width: 760, height: 268 };
/** From each of these on, °C, the next of the warm colours. */
const WARM_FROM_C = [40, 70, 95, 108];
const WARM = [
  "var(--color-warm-1)",
  "var(--color-warm-2)",
  "var(--color-warm-3)",
  "var(--color-warm-4)",
  "var(--color-warm-5)",
];
const warm = (celsius: number) => WARM[WARM_FROM_C.filter((from) => celsius >= from).length];

const HOSE = 13;
/** Heat as the breadth of its arrow, drawing units for each kW, and the broadest. */
const BREADTH_PER_KW = 0.9;
const BROADEST = 34;

/** A hose along a way, as hot as what is in it, edged so that it is seen on paper; of one that nothing goes through nobody knows. */
function Hose({ way, celsius }: { way: string; celsius: number | undefined }) {
  return (
    <g fill="none" strokeLinejoin="round">
      <path d={way} stroke="var(--ink)" strokeWidth={HOSE + 3} />
      <path d={way} stroke={celsius === undefined ? "var(--sheet)" : warm(celsius)} strokeWidth={HOSE} />
    </g>
  );
}

/** Heat that goes somewhere: a wedge with its breadth by kW, and how much. */
function Heat({
  at: [x, y],
  kW,
  words,
  toLeft = false,
}: {
  at: [number, number];
  kW: number;
  words: string;
  toLeft?: boolean;
}) {
  const half = Math.min(BROADEST, Math.max(1, kW * BREADTH_PER_KW)) / 2;
  const way = toLeft ? -1 : 1;
  return (
    <g>
      <path d={`M${x} ${y - half}L${x + way * 42} ${y}L${x} ${y + half}Z`} className="fill-ink-2" />
      <Word at={[x + way * 48, y - 2]} anchor={toLeft ? "end" : "start"} isFigure>
        {kW.toFixed(1)} kW
      </Word>
      <Word at={[x + way * 48, y + 15]} anchor={toLeft ? "end" : "start"} isQuiet>
        {words}
      </Word>
    </g>
  );
}

/** The circuit as it is at this moment: where what is hot, how far the thermostat is open, what runs, where heat goes. */
export function CircuitDrawing({ here: { bench } }: { here: BenchHere }) {
  const { units } = useMember();
  const state = bench.state();
  const { metalC, blockC, radiatorC, lift, stages, airKgS, engineKW, radiatorKW, heaterKW, litres } = state;
  const { ambientC, heater, rpm } = bench.conditionsNow;
  const degrees = (celsius: number) =>
    `${Math.round(toShown(celsius, "temperature", units))} ${SHOWN.temperature[units].label}`;
  const open = Math.round(lift * 100);
  const told = [
    `Metal ${degrees(metalC)}, coolant in the block ${degrees(blockC)}, in the radiator ${degrees(radiatorC)}`,
    `thermostat ${open} % open`,
    stages > 0 ? `fan on stage ${stages}` : "fan still",
    `${engineKW.toFixed(1)} kW in, ${radiatorKW.toFixed(1)} out by the radiator, ${heaterKW.toFixed(1)} by the heater`,
    `${litres.toFixed(1)} L of coolant`,
  ].join("; ");
  return (
    <Chart size={SIZE} name="The circuit" className="w-full min-w-[40rem]" told={told}>
      <Hose way="M330 60H560" celsius={upperHoseC(state)} />
      <Hose way="M560 216H330" celsius={radiatorC} />
      <Hose way="M196 92H120V186H196" celsius={heater > 0 ? blockC : undefined} />
      <rect x="84" y="116" width="72" height="46" fill="var(--sheet)" stroke="var(--ink)" strokeWidth="2" />
      <Word at={[120, 134]} anchor="middle">
        heater
      </Word>
      <Word at={[120, 152]} anchor="middle" isFigure>
        {heater > 0 ? "on" : "off"}
      </Word>
      {heaterKW > 0.05 && <Heat at={[80, 139]} kW={heaterKW} words="cabin" toLeft />}
      <rect
        x="196"
        y="40"
        width="134"
        height="196"
        fill={warm(metalC)}
        stroke="var(--ink)"
        strokeWidth="2.5"
      />
      <rect
        x="212"
        y="56"
        width="102"
        height="164"
        fill="var(--sheet)"
        stroke={warm(blockC)}
        strokeWidth="8"
      />
      <Word at={[263, 86]} anchor="middle">
        block
      </Word>
      <Word at={[263, 116]} anchor="middle" isFigure>
        <tspan className="font-bold text-[22px]">{degrees(blockC)}</tspan>
      </Word>
      <Word at={[263, 142]} anchor="middle" isQuiet>
        metal
      </Word>
      <Word at={[263, 160]} anchor="middle" isFigure>
        {degrees(metalC)}
      </Word>
      <Word at={[263, 190]} anchor="middle" isQuiet>
        {rpm === 0 ? "engine off" : `${rpm} rpm`}
      </Word>
      <Word at={[263, 208]} anchor="middle" isFigure>
        {litres.toFixed(1)} L
      </Word>
      {/* A gate across the upper hose that turns out of its way. */}
      <g transform={`translate(400 60) rotate(${lift * 90})`}>
        <Stroke from={[0, -13]} to={[0, 13]} width={5} />
      </g>
      <Word at={[400, 30]} anchor="middle">
        thermostat
      </Word>
      <Word at={[400, 94]} anchor="middle" isFigure>
        {open} % open
      </Word>
      <Word at={[445, 198]} anchor="middle" isQuiet>
        lower hose
      </Word>
      <Word at={[506, 42]} anchor="middle" isQuiet>
        upper hose
      </Word>
      <rect
        x="560"
        y="36"
        width="46"
        height="204"
        fill="var(--sheet)"
        stroke="var(--ink)"
        strokeWidth="2.5"
      />
      <g stroke={warm(radiatorC)} strokeWidth="6">
        {Array.from({ length: 11 }, (_, row) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: they are told apart by their place
          <path key={row} d={`M566 ${50 + row * 17.6}h34`} />
        ))}
      </g>
      <Word at={[583, 28]} anchor="middle">
        radiator
      </Word>
      <Word at={[583, 258]} anchor="middle" isFigure>
        {degrees(radiatorC)}
      </Word>
      {[0, 1].map((blade) => (
        <path
          key={blade}
          d={
            blade === 0
              ? "M536 138C522 112 522 96 536 82C550 96 550 112 536 138Z"
              : "M536 138C522 164 522 180 536 194C550 180 550 164 536 138Z"
          }
          fill={stages > 0 ? "var(--ink)" : "var(--sheet)"}
          stroke="var(--ink)"
          strokeWidth="2"
        />
      ))}
      <Word at={[508, 132]} anchor="end">
        {stages > 0 ? (stages > 1 ? "fan, fast" : "fan runs") : "fan still"}
      </Word>
      <Word at={[508, 150]} anchor="end" isQuiet>
        air {airKgS.toFixed(2)} kg/s
      </Word>
      <Heat at={[614, 138]} kW={radiatorKW} words={`into ${degrees(ambientC)} air`} />
      <Word at={[263, 258]} anchor="middle">
        {engineKW.toFixed(1)} kW of heat in
      </Word>
    </Chart>
  );
}
