import { APP_ROLE, type Migration } from "./migration.ts";

const ownRows = (table: string) => `
ALTER TABLE ${table} ENABLE ROW LEVEL SECURITY;
ALTER TABLE ${table} FORCE ROW LEVEL SECURITY;
CREATE POLICY own_rows ON ${table} USING (shop_id = shop_at_desk()) WITH CHECK (shop_id = shop_at_desk());
GRANT SELECT, INSERT, UPDATE, DELETE ON ${table} TO ${APP_ROLE};`;

/** A shop's day: its hours, who and what isn't here, what is held to a person or a time, and the day as it was laid last. */
export const theDay: Migration = {
  name: "030-the-day",
  up: `
-- Null where the shop hasn't said its own.
ALTER TABLE shops ADD COLUMN hours jsonb CHECK (jsonb_typeof(hours) = 'object' AND length(hours::text) <= 2000);
GRANT UPDATE (hours) ON shops TO ${APP_ROLE};
CREATE TABLE away (
  shop_id uuid NOT NULL REFERENCES shops,
  id uuid NOT NULL,
  person_id uuid,
  lift integer CHECK (lift BETWEEN 1 AND 40),
  from_at timestamptz NOT NULL,
  until_at timestamptz NOT NULL,
  said_by uuid NOT NULL,
  said_at timestamptz NOT NULL,
  PRIMARY KEY (shop_id, id),
  CHECK ((person_id IS NULL) <> (lift IS NULL)),
  CHECK (until_at > from_at),
  FOREIGN KEY (shop_id, person_id) REFERENCES people (shop_id, id),
  FOREIGN KEY (shop_id, said_by) REFERENCES people (shop_id, id)
);
CREATE INDEX away_until ON away (shop_id, until_at);
CREATE TABLE day_holds (
  shop_id uuid NOT NULL REFERENCES shops,
  job_id uuid NOT NULL,
  piece text NOT NULL CHECK (length(piece) BETWEEN 1 AND 80),
  person_id uuid,
  at timestamptz,
  held_by uuid NOT NULL,
  held_at timestamptz NOT NULL,
  PRIMARY KEY (shop_id, job_id, piece),
  CHECK (person_id IS NOT NULL OR at IS NOT NULL),
  FOREIGN KEY (shop_id, job_id) REFERENCES jobs (shop_id, id),
  FOREIGN KEY (shop_id, person_id) REFERENCES people (shop_id, id),
  FOREIGN KEY (shop_id, held_by) REFERENCES people (shop_id, id)
);
-- No record of anything: it is laid anew from the books by whoever looks.
CREATE TABLE day_plans (
  shop_id uuid NOT NULL REFERENCES shops,
  day date NOT NULL,
  laid_at timestamptz NOT NULL,
  laid_from text NOT NULL CHECK (length(laid_from) <= 100),
  plan jsonb NOT NULL,
  PRIMARY KEY (shop_id, day)
);
${ownRows("away")}
${ownRows("day_holds")}
${ownRows("day_plans")}
`,
  down: `
DROP TABLE day_plans;
DROP TABLE day_holds;
DROP TABLE away;
ALTER TABLE shops DROP COLUMN hours;`,
};
