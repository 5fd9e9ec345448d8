import type { Migration } from "./migration.ts";

/** The coolant sensor's own curve on the card, as pairs of °C and ohms; none where nobody knows it. */
export const sensorCurve: Migration = {
  name: "002-sensor-curve",
  up: `
ALTER TABLE cooling_cards ADD COLUMN sensor_curve jsonb NOT NULL DEFAULT '[]'
  CHECK (jsonb_typeof(sensor_curve) = 'array' AND jsonb_array_length(sensor_curve) <= 12);
`,
  down: `
ALTER TABLE cooling_cards DROP COLUMN sensor_curve;
`,
};
