import { format, type System } from "../../core/kernel/units/index.ts";
import type { CardChange } from "../../server/cards/card.ts";
import type { CardChanged } from "../../server/cards/read-card-changes.ts";
import { dayOf } from "../ui/dates.ts";
import { CIRCUITS } from "./CardSheet.tsx";

const NAMES: Partial<Record<CardChange["field"], string>> = {
  capacityL: "holds",
  coolantKind: "coolant kind",
  coolantProduct: "coolant",
  coolantApproval: "approval",
  targetFraction: "strength",
  capGaugeKpa: "cap",
  thermostatOpensC: "thermostat opens",
  circuit: "fan circuit",
  fanOnC: "fan on",
  fanOffC: "fan off",
  fanSenses: "fan switch or sensor at",
  fillPoint: "fill at",
  bleedPoints: "bleed",
  oilCooler: "oil cooler",
  sensorCurve: "sensor's curve",
};

const DIMENSIONS = {
  capacityL: "volume",
  targetFraction: "fraction",
  capGaugeKpa: "pressure",
  thermostatOpensC: "temperature",
  fanOnC: "temperature",
  fanOffC: "temperature",
} as const;

function said(field: CardChange["field"], value: unknown, system: System): string {
  if (value === null || value === "" || (Array.isArray(value) && value.length === 0)) return "nothing";
  if (field === "circuit") return CIRCUITS[String(value)] ?? String(value);
  if (field === "sensorCurve") return "a curve";
  const dimension = DIMENSIONS[field as keyof typeof DIMENSIONS];
  if (!dimension) return String(value);
  const figures = (Array.isArray(value) ? value : [value]).map(Number);
  return figures.map((figure) => format(figure, dimension, system)).join(" and ");
}

/** Who changed what on the card, newest first. */
export function CardChanges({
  changes,
  timeZone,
  system,
}: {
  changes: CardChanged[];
  timeZone: string;
  system: System;
}) {
  if (changes.length === 0) return null;
  return (
    <details className="mt-3">
      <summary className="min-h-12 py-3 font-bold">
        {changes.length === 1 ? "One change" : `${changes.length} changes`}
      </summary>
      <ul>
        {changes.map(({ at, by, job, changes: fields }) => (
          <li key={at} className="border-rule border-b py-2">
            <span className="text-ink-2">
              {dayOf(at, timeZone)} {by ?? "somebody"}
              {job !== undefined && `, settled in job ${job}`}
            </span>
            {fields.map(({ field, from, to }) => (
              <p key={field}>
                {NAMES[field] ?? field}: {said(field, from, system)} →{" "}
                <span className="font-bold">{said(field, to, system)}</span>
              </p>
            ))}
          </li>
        ))}
      </ul>
    </details>
  );
}
