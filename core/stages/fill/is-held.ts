import type { Entry } from "../../book/entry/index.ts";
import { type EngineState, mayHaveOpened } from "../../state/index.ts";
import { type BleedingStep, type BleedingVehicle, isShut, opensCap } from "../../trade/bleed/index.ts";

/** Whether a step of bleeding is one that an engine is left to cool for, or has to be cold for. */
const wantsCold = (step: BleedingStep, isStopped: boolean): boolean =>
  step.kind === "cool" || isStopped || opensCap(step);

/**
 * Whether the step in hand is held until there is evidence that the cap may be opened: what opens one waits for that, whatever school
 * began it and however hot it was left. What may have been opened since the step began is open.
 */
export function isHeld(
  step: BleedingStep,
  { isStopped, startedAt }: { isStopped: boolean; startedAt: string },
  {
    engine,
    entries,
    now,
    vehicle,
  }: {
    engine: EngineState;
    entries: readonly Entry[];
    now: string;
    vehicle: BleedingVehicle;
  },
): boolean {
  if (!wantsCold(step, isStopped) || !isShut(engine.cap)) return false;
  return step.kind === "cool" || isStopped || !mayHaveOpened(entries, startedAt, now, vehicle);
}
