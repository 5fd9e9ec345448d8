import type { Migration } from "./migration.ts";

/** What nobody knows of a thermostat or a fan's stop is nothing on its card; the rest of it judges a log. */
export const knownOfACard: Migration = {
  name: "029-known-of-a-card",
  up: "ALTER TABLE cooling_cards ALTER COLUMN thermostat_opens_c DROP NOT NULL;",
  // The usual thermostat of the trade, and a stop the usual 6 °C below its start, where the older books want a figure.
  down: `
UPDATE cooling_cards SET thermostat_opens_c = coalesce(thermostat_opens_c, 88),
  fan_off_c = ARRAY(SELECT coalesce(stop, start - 6) FROM unnest(fan_on_c, fan_off_c) AS fan(start, stop))
  WHERE thermostat_opens_c IS NULL OR array_position(fan_off_c, NULL) IS NOT NULL;
ALTER TABLE cooling_cards ALTER COLUMN thermostat_opens_c SET NOT NULL;`,
};
