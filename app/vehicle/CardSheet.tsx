import type { ReactNode } from "react";
import { format, formatBothTemperatures, type System } from "../../core/kernel/units/index.ts";
import type { CoolingCard } from "../../core/trade/car/index.ts";

export const CIRCUITS: Record<string, string> = {
  "switch-1": "one-stage switch in the radiator",
  "switch-2": "two-stage switch in the radiator",
  "switch-relays": "switch grounds two relays",
  "ecu-relay": "engine computer grounds a relay",
  "ecu-module": "engine computer, fan module",
  "self-contained": "fan with its own thermostat",
  viscous: "belt-driven, viscous clutch",
};

function Row({ name, children }: { name: string; children: ReactNode }) {
  return (
    <div className="flex items-baseline justify-between gap-4 border-rule border-b py-2">
      <dt className="shrink-0 text-ink-2">{name}</dt>
      <dd className="text-right font-bold">{children}</dd>
    </div>
  );
}

/** The card as on the inside of a bonnet. */
export function CardSheet({ card, system }: { card: CoolingCard | null; system: System }) {
  return (
    <section aria-labelledby="card" className="self-start rounded-lg border-2 border-ink bg-sheet p-5">
      <h2 id="card" className="mb-2 text-2xl">
        Cooling card
      </h2>
      {!card ? (
        <p>No card yet. Logs can't be judged without one.</p>
      ) : (
        <dl>
          <Row name="Holds">{format(card.capacityL, "volume", system)}</Row>
          <Row name="Coolant">
            {card.coolantKind}
            {card.coolantProduct && `, ${card.coolantProduct}`}
          </Row>
          {card.coolantApproval && <Row name="Approval">{card.coolantApproval}</Row>}
          <Row name="Strength">{format(card.targetFraction, "fraction", system)}</Row>
          <Row name="Cap">{format(card.capGaugeKpa, "pressure", system)}</Row>
          <Row name="Thermostat opens">{formatBothTemperatures(card.thermostatOpensC, system)}</Row>
          {card.fanOnC.map((onC, index) => (
            <Row key={onC} name={card.fanOnC.length === 1 ? "Fan" : index === 0 ? "Low fan" : "High fan"}>
              on {formatBothTemperatures(onC, system)}
              <br />
              off {formatBothTemperatures(card.fanOffC[index] ?? onC, system)}
            </Row>
          ))}
          <Row name="Fan circuit">{card.circuit ? CIRCUITS[card.circuit] : "not known yet"}</Row>
          {card.fanOnC.length > 0 && (
            <Row name="Fan switch or sensor at">
              {card.fanSenses === "engine" ? "engine outlet" : "radiator"}
            </Row>
          )}
          {card.fillPoint && <Row name="Fill at">{card.fillPoint}</Row>}
          {card.bleedPoints && <Row name="Bleed">{card.bleedPoints}</Row>}
          <Row name="Oil cooler">{card.oilCooler}</Row>
          {card.sensorCurve.length > 0 && (
            <Row name="Sensor">
              {card.sensorCurve
                .map(({ celsius, ohms }) => `${ohms} Ω at ${format(celsius, "temperature", system)}`)
                .join(", ")}
            </Row>
          )}
        </dl>
      )}
    </section>
  );
}
