import type { CardChange } from "../../server/vehicles/card.ts";
import type { CardChanged } from "../../server/vehicles/read-card-changes.ts";
import { dayOf } from "../ui/dates.ts";
import { CIRCUITS } from "./CoolingCard.tsx";

const NAMES: Partial<Record<CardChange["field"], string>> = {
  capacityL: "holds",
  coolantKind: "coolant kind",
  coolantProduct: "coolant",
  targetFraction: "strength",
  capGaugeKpa: "cap",
  thermostatOpensC: "thermostat opens",
  circuit: "fan circuit",
  fanOnC: "fan on",
  fanOffC: "fan off",
  fanSenses: "fan feels",
  fillPoint: "fill at",
  bleedPoints: "bleed",
  oilCooler: "oil cooler",
  sensorCurve: "sensor's curve",
};

/** Figures as the books keep them: °C, litres, kPa, shares. */
function said(field: CardChange["field"], value: unknown): string {
  if (value === null || value === "" || (Array.isArray(value) && value.length === 0)) return "nothing";
  if (field === "circuit") return CIRCUITS[String(value)] ?? String(value);
  if (field === "sensorCurve") return "a curve";
  if (field === "fanOnC" || field === "fanOffC") return `${(value as number[]).join(" and ")} °C`;
  const unit = { capacityL: " L", capGaugeKpa: " kPa", thermostatOpensC: " °C" }[field as string] ?? "";
  return `${typeof value === "number" ? Number(value.toPrecision(4)) : value}${unit}`;
}

/** Who changed what on the card, newest first. */
export function CardChanges({ changes, timeZone }: { changes: CardChanged[]; timeZone: string }) {
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
                {NAMES[field] ?? field}: {said(field, from)} →{" "}
                <span className="font-bold">{said(field, to)}</span>
              </p>
            ))}
          </li>
        ))}
      </ul>
    </details>
  );
}
