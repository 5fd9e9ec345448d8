import type { CircuitKind } from "./knowledge.ts";

/** The three questions that settle how a fan is controlled. */
export interface CircuitAnswers {
  /** Pins on the thermal switch in the radiator; "none" where there is none, "belt" where a belt turns the fan. */
  pins?: "2" | "3" | "none" | "belt";
  relay?: "yes" | "no";
  /** Does unplugging the coolant sensor, engine running, run the fan? */
  sensorRuns?: "yes" | "no";
}

export interface SettledCircuit {
  /** Kinds that the answers leave, likeliest first; one where they settle it. */
  left: CircuitKind[];
  because: string;
}

type Sign = Required<CircuitAnswers>;

/** How each kind answers; "any" where cars differ. */
const SIGNS: Record<CircuitKind, { [Key in keyof Sign]: Sign[Key] | "any" }> = {
  "switch-1": { pins: "2", relay: "no", sensorRuns: "no" },
  "switch-2": { pins: "3", relay: "no", sensorRuns: "no" },
  "switch-relays": { pins: "any", relay: "yes", sensorRuns: "no" },
  "ecu-relay": { pins: "none", relay: "yes", sensorRuns: "any" },
  "ecu-module": { pins: "none", relay: "no", sensorRuns: "yes" },
  "self-contained": { pins: "none", relay: "no", sensorRuns: "no" },
  viscous: { pins: "belt", relay: "no", sensorRuns: "no" },
};

const fits = (kind: CircuitKind, answers: CircuitAnswers): boolean =>
  (Object.keys(answers) as (keyof Sign)[]).every((question) => {
    const said = answers[question];
    const sign = SIGNS[kind][question];
    if (said === undefined) return true;
    if (kind === "switch-relays" && question === "pins") return said === "2" || said === "3";
    return sign === "any" || sign === said;
  });

/** Which kinds of circuit the answers leave. No answer leaves all seven; answers that fit none say so in `because`. */
export function settleCircuit(answers: CircuitAnswers): SettledCircuit {
  const left = (Object.keys(SIGNS) as CircuitKind[]).filter((kind) => fits(kind, answers));
  if (left.length === 0)
    return { left, because: "No circuit answers like that. Look at the switch and the relay once more." };
  if (left.length === 1) return { left, because: "The answers leave one kind." };
  return { left, because: `${left.length} kinds are left; answer what is open.` };
}
