import { APP_ROLE, type Migration } from "./migration.ts";

const THIS_SHOP = "nullif(current_setting('app.shop_id', true), '')::uuid";

/** Coolant levels taken at any visit, job or none. A wrong one is struck and stays readable; nothing of it is changed. */
export const levels: Migration = {
  name: "013-levels",
  up: `
CREATE TABLE levels (
  shop_id uuid NOT NULL REFERENCES shops,
  id uuid NOT NULL,
  vehicle_id uuid NOT NULL,
  at timestamptz NOT NULL,
  taken_by uuid NOT NULL,
  missing_l double precision NOT NULL CHECK (missing_l BETWEEN -10 AND 100),
  topped_up_l double precision NOT NULL DEFAULT 0 CHECK (topped_up_l BETWEEN 0 AND 100),
  distance_km double precision CHECK (distance_km BETWEEN 0 AND 5000000),
  heat text NOT NULL CHECK (heat IN ('cold', 'hot')),
  struck_at timestamptz,
  struck_by uuid,
  PRIMARY KEY (shop_id, id),
  FOREIGN KEY (shop_id, vehicle_id) REFERENCES vehicles (shop_id, id),
  FOREIGN KEY (shop_id, taken_by) REFERENCES people (shop_id, id),
  FOREIGN KEY (shop_id, struck_by) REFERENCES people (shop_id, id)
);
CREATE INDEX levels_of_vehicle ON levels (shop_id, vehicle_id, at);
ALTER TABLE levels ENABLE ROW LEVEL SECURITY;
ALTER TABLE levels FORCE ROW LEVEL SECURITY;
CREATE POLICY own_rows ON levels USING (shop_id = ${THIS_SHOP}) WITH CHECK (shop_id = ${THIS_SHOP});
GRANT SELECT, INSERT, UPDATE (struck_at, struck_by) ON levels TO ${APP_ROLE};
-- How far the minimum mark lies below the line, where somebody has measured it.
ALTER TABLE vehicles ADD COLUMN minimum_l double precision CHECK (minimum_l BETWEEN 0.05 AND 50);
`,
  down: "ALTER TABLE vehicles DROP COLUMN minimum_l; DROP TABLE levels;",
};
