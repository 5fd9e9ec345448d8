import type { CoolingCard } from "./index.ts";

/** A card with something in every field. */
export const CARD: CoolingCard = {
  capacityL: 9.3,
  coolantKind: "si-oat",
  coolantProduct: "Fellwater Blue",
  coolantApproval: "",
  targetFraction: 0.5,
  capGaugeKpa: 110,
  thermostatOpensC: 87,
  circuit: "switch-2",
  fanOnC: [92, 99],
  fanOffC: [87, 94],
  fanSenses: "radiator",
  fillPoint: "expansion tank",
  bleedPoints: "",
  oilCooler: "none",
  sensorCurve: [
    { celsius: 20, ohms: 2500 },
    { celsius: 80, ohms: 320 },
  ],
};
