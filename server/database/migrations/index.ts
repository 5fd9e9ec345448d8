import { firstTables } from "./001-first-tables.ts";
import { sensorCurve } from "./002-sensor-curve.ts";
import type { Migration } from "./migration.ts";

/** In the order in which they run. Listed rather than read from a folder, so that a bundle holds them too. */
export const migrations: Migration[] = [firstTables, sensorCurve];
