import { inShownTemperatures, type System } from "../../../core/kernel/units/index.ts";
import type { Judgement } from "../../../core/kernel/verdict/index.ts";
import { CHECKS, type CheckName } from "../../../core/trade/trace/index.ts";
import { VerdictShape } from "../../ui/VerdictMark.tsx";

const NAMES: Record<CheckName, string> = {
  signal: "Signal",
  soak: "Cold start",
  climb: "Climb",
  thermostat: "Thermostat",
  fanOn: "Fan start",
  fanOff: "Fan stop",
  peak: "Hottest",
};

/** The verdict of each check with its reason. */
export function Checks({ checks, system }: { checks: Record<CheckName, Judgement>; system: System }) {
  return (
    <ul className="grid gap-x-8 md:grid-cols-2">
      {CHECKS.map((check) => (
        <li key={check} className="flex gap-3 border-rule border-b py-2">
          <span className="pt-0.5">
            <VerdictShape verdict={checks[check].verdict} />
          </span>
          <span>
            <span className="font-bold">{NAMES[check]}</span>{" "}
            <span>{inShownTemperatures(checks[check].because, system)}</span>
          </span>
        </li>
      ))}
    </ul>
  );
}
