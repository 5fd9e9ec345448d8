import { SWITCH_TOLERANCE_C } from "../limits/index.ts";
import type { TraceSpec } from "./analysis.ts";

/** A figure of the card beside a log's curve. */
export interface CardLine {
  celsius: number;
  does: "opens" | "on" | "off";
  /** "opens", "fan on", or "low on" where there are two stages. */
  words: string;
  /** Felt in the radiator: no figure of the engine's own curve, so that no band of tolerance belongs to it. */
  isElsewhere: boolean;
}

/** Every figure that the card says and a warm-up is held against, °C: the thermostat's, then each stage's start, then each one's stop. */
export function cardLines({ thermostatOpensC, fanOnC, fanOffC, fanSenses }: TraceSpec): CardLine[] {
  const isElsewhere = fanSenses === "radiator";
  const stage = (index: number) => (fanOnC.length === 1 ? "fan" : index === 0 ? "low" : "high");
  const stages = (figures: readonly (number | null)[], does: "on" | "off") =>
    figures.flatMap((celsius, index): CardLine[] =>
      celsius === null ? [] : [{ celsius, does, words: `${stage(index)} ${does}`, isElsewhere }],
    );
  return [
    ...(typeof thermostatOpensC === "number"
      ? [{ celsius: thermostatOpensC, does: "opens" as const, words: "opens", isElsewhere: false }]
      : []),
    ...stages(fanOnC, "on"),
    ...stages(fanOffC, "off"),
  ];
}

/** How far off each way a figure of the card still holds, °C. */
export const toleranceOf = ({ toleranceC = SWITCH_TOLERANCE_C }: TraceSpec): number => toleranceC;
