import { APP_ROLE, type Migration } from "./migration.ts";

const THIS_SHOP = "nullif(current_setting('app.shop_id', true), '')::uuid";

const refuseAfterSigning = (unless: string) => `
CREATE OR REPLACE FUNCTION refuse_entry_after_signing() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF NEW.corrects IS NULL${unless} AND EXISTS (SELECT 1 FROM jobs WHERE shop_id = NEW.shop_id AND id = NEW.job_id AND signed_at IS NOT NULL) THEN
    RAISE EXCEPTION 'a signed job takes corrections only' USING ERRCODE = 'restrict_violation';
  END IF;
  RETURN NEW;
END $$;`;

/** Second looks: the shop's rules, what is promised of each job as its book has it, and the secret of the calendar's address. */
export const followUps: Migration = {
  name: "014-follow-ups",
  up: `
-- Null where the shop hasn't made its own.
ALTER TABLE shops ADD COLUMN follow_up_rules jsonb CHECK (jsonb_typeof(follow_up_rules) = 'array');
ALTER TABLE shops ADD COLUMN calendar_hash text CHECK (calendar_hash ~ '^[0-9a-f]{64}$');
-- Where the shop lies and how cold it gets there: what a mix has to stand.
ALTER TABLE shops ADD COLUMN altitude_m double precision CHECK (altitude_m BETWEEN -400 AND 5500);
ALTER TABLE shops ADD COLUMN coldest_c double precision CHECK (coldest_c BETWEEN -60 AND 20);
-- Whom the shop told what a level means.
ALTER TABLE levels ADD COLUMN told text CHECK (length(told) BETWEEN 1 AND 120);
GRANT UPDATE (follow_up_rules, calendar_hash, altitude_m, coldest_c) ON shops TO ${APP_ROLE};
CREATE TABLE follow_ups (
  shop_id uuid NOT NULL REFERENCES shops,
  job_id uuid NOT NULL,
  key text NOT NULL CHECK (length(key) BETWEEN 1 AND 40),
  vehicle_id uuid NOT NULL,
  what text NOT NULL CHECK (length(what) BETWEEN 1 AND 120),
  state text NOT NULL CHECK (state IN ('open', 'done', 'dropped')),
  due_on date,
  due_km double precision CHECK (due_km BETWEEN 0 AND 5000000),
  said text,
  changed_at timestamptz NOT NULL,
  changed_by uuid NOT NULL,
  PRIMARY KEY (shop_id, job_id, key),
  FOREIGN KEY (shop_id, job_id) REFERENCES jobs (shop_id, id),
  FOREIGN KEY (shop_id, vehicle_id) REFERENCES vehicles (shop_id, id),
  FOREIGN KEY (shop_id, changed_by) REFERENCES people (shop_id, id)
);
CREATE INDEX follow_ups_due ON follow_ups (shop_id, due_on) WHERE state = 'open';
CREATE INDEX follow_ups_of_vehicle ON follow_ups (shop_id, vehicle_id);
ALTER TABLE follow_ups ENABLE ROW LEVEL SECURITY;
ALTER TABLE follow_ups FORCE ROW LEVEL SECURITY;
CREATE POLICY own_rows ON follow_ups USING (shop_id = ${THIS_SHOP}) WITH CHECK (shop_id = ${THIS_SHOP});
-- Told from the books, so that they may be told anew.
GRANT SELECT, INSERT, UPDATE, DELETE ON follow_ups TO ${APP_ROLE};
-- What was promised is kept, moved or dropped after the signature, and why a line was corrected is said after it.
${refuseAfterSigning(" AND NEW.data->>'fact' IS DISTINCT FROM 'follow-up' AND NEW.data->>'fact' IS DISTINCT FROM 'correction-reason'")}
`,
  down: `${refuseAfterSigning("")}
DROP TABLE follow_ups;
ALTER TABLE levels DROP COLUMN told;
ALTER TABLE shops DROP COLUMN follow_up_rules, DROP COLUMN calendar_hash, DROP COLUMN altitude_m, DROP COLUMN coldest_c;`,
};
