import { APP_ROLE, type Migration } from "./migration.ts";

const THIS_SHOP = "nullif(current_setting('app.shop_id', true), '')::uuid";

/**
 * Wrong tries are counted by where they come from and no longer by whose name was tried; a session knows the browser it
 * is on, and ends with it; a browser becomes the shop's own by an invitation that is good once and for an hour.
 * `tries` is the rate limiter's own table: it belongs to no shop, since a stranger's tries don't.
 */
export const doors: Migration = {
  name: "018-doors",
  up: `
CREATE TABLE tries (
  key varchar(255) PRIMARY KEY,
  points integer NOT NULL DEFAULT 0,
  expire bigint
);
GRANT SELECT, INSERT, UPDATE, DELETE ON tries TO ${APP_ROLE};
ALTER TABLE people DROP COLUMN failures, DROP COLUMN failed_at;
ALTER TABLE sessions
  ADD COLUMN device_id uuid,
  ADD COLUMN seen_at timestamptz NOT NULL DEFAULT now(),
  ADD FOREIGN KEY (shop_id, device_id) REFERENCES devices (shop_id, id) ON DELETE CASCADE;
CREATE INDEX sessions_of_people ON sessions (shop_id, person_id);
GRANT UPDATE (seen_at) ON sessions TO ${APP_ROLE};
CREATE TABLE invitations (
  shop_id uuid NOT NULL REFERENCES shops,
  token_hash text NOT NULL,
  name text NOT NULL CHECK (length(name) BETWEEN 1 AND 80),
  made_by uuid NOT NULL,
  expires_at timestamptz NOT NULL,
  PRIMARY KEY (shop_id, token_hash),
  FOREIGN KEY (shop_id, made_by) REFERENCES people (shop_id, id)
);
ALTER TABLE invitations ENABLE ROW LEVEL SECURITY;
ALTER TABLE invitations FORCE ROW LEVEL SECURITY;
CREATE POLICY own_rows ON invitations USING (shop_id = ${THIS_SHOP}) WITH CHECK (shop_id = ${THIS_SHOP});
GRANT SELECT, INSERT, DELETE ON invitations TO ${APP_ROLE};
`,
  down: `
DROP TABLE invitations;
DROP INDEX sessions_of_people;
ALTER TABLE sessions DROP COLUMN device_id, DROP COLUMN seen_at;
ALTER TABLE people ADD COLUMN failures integer NOT NULL DEFAULT 0 CHECK (failures >= 0), ADD COLUMN failed_at timestamptz;
DROP TABLE tries;
`,
};
