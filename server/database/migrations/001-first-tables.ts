import { APP_ROLE, type Migration } from "./migration.ts";

/** Tables whose rows belong to a shop: row security is made and forced on each of them. */
const SHOP_TABLES = [
  "people",
  "devices",
  "sessions",
  "vehicles",
  "cooling_cards",
  "jobs",
  "entries",
  "logs",
  "audit",
];
const APPEND_ONLY = ["entries", "audit"];

const tables = `
CREATE TABLE shops (
  id uuid PRIMARY KEY,
  slug text NOT NULL UNIQUE CHECK (slug ~ '^[a-z0-9-]{2,40}$'),
  name text NOT NULL CHECK (length(name) BETWEEN 1 AND 80),
  units text NOT NULL DEFAULT 'metric' CHECK (units IN ('metric', 'us')),
  time_zone text NOT NULL DEFAULT 'UTC',
  last_job_number integer NOT NULL DEFAULT 0 CHECK (last_job_number >= 0),
  created_at timestamptz NOT NULL DEFAULT now()
);
CREATE TABLE people (
  shop_id uuid NOT NULL REFERENCES shops,
  id uuid NOT NULL,
  name text NOT NULL CHECK (length(name) BETWEEN 1 AND 80),
  role text NOT NULL CHECK (role IN ('desk', 'technician', 'lead')),
  pin_hash text NOT NULL,
  password_hash text NOT NULL,
  is_active boolean NOT NULL DEFAULT true,
  failures integer NOT NULL DEFAULT 0 CHECK (failures >= 0),
  failed_at timestamptz,
  created_at timestamptz NOT NULL DEFAULT now(),
  PRIMARY KEY (shop_id, id),
  UNIQUE (shop_id, name)
);
CREATE TABLE devices (
  shop_id uuid NOT NULL REFERENCES shops,
  id uuid NOT NULL,
  name text NOT NULL CHECK (length(name) BETWEEN 1 AND 80),
  token_hash text NOT NULL,
  created_at timestamptz NOT NULL DEFAULT now(),
  PRIMARY KEY (shop_id, id),
  UNIQUE (shop_id, token_hash)
);
CREATE TABLE sessions (
  shop_id uuid NOT NULL REFERENCES shops,
  token_hash text NOT NULL,
  person_id uuid NOT NULL,
  created_at timestamptz NOT NULL DEFAULT now(),
  expires_at timestamptz NOT NULL,
  PRIMARY KEY (shop_id, token_hash),
  FOREIGN KEY (shop_id, person_id) REFERENCES people (shop_id, id)
);
CREATE TABLE vehicles (
  shop_id uuid NOT NULL REFERENCES shops,
  id uuid NOT NULL,
  plate text NOT NULL CHECK (length(plate) BETWEEN 1 AND 16),
  vin text NOT NULL CHECK (vin ~ '^[A-HJ-NPR-Z0-9]{17}$'),
  name text NOT NULL CHECK (length(name) BETWEEN 1 AND 80),
  use text NOT NULL DEFAULT '' CHECK (length(use) <= 80),
  distance_km double precision CHECK (distance_km BETWEEN 0 AND 5000000),
  created_at timestamptz NOT NULL DEFAULT now(),
  PRIMARY KEY (shop_id, id),
  UNIQUE (shop_id, plate),
  UNIQUE (shop_id, vin)
);
CREATE TABLE cooling_cards (
  shop_id uuid NOT NULL,
  vehicle_id uuid NOT NULL,
  capacity_l double precision NOT NULL CHECK (capacity_l BETWEEN 0.5 AND 200),
  coolant_kind text NOT NULL CHECK (coolant_kind IN ('iat', 'oat', 'hoat', 'si-oat', 'p-oat')),
  coolant_product text NOT NULL DEFAULT '' CHECK (length(coolant_product) <= 80),
  target_fraction double precision NOT NULL CHECK (target_fraction BETWEEN 0.2 AND 0.65),
  cap_gauge_kpa double precision NOT NULL CHECK (cap_gauge_kpa BETWEEN 0 AND 300),
  thermostat_opens_c double precision NOT NULL CHECK (thermostat_opens_c BETWEEN 40 AND 120),
  circuit text CHECK (circuit IN ('switch-1', 'switch-2', 'switch-relays', 'ecu-relay', 'ecu-module', 'self-contained', 'viscous')),
  fan_on_c double precision[] NOT NULL DEFAULT '{}',
  fan_off_c double precision[] NOT NULL DEFAULT '{}',
  fan_senses text NOT NULL DEFAULT 'engine' CHECK (fan_senses IN ('engine', 'radiator')),
  fill_point text NOT NULL DEFAULT '' CHECK (length(fill_point) <= 120),
  bleed_points text NOT NULL DEFAULT '' CHECK (length(bleed_points) <= 120),
  oil_cooler text NOT NULL DEFAULT 'none' CHECK (oil_cooler IN ('none', 'in the radiator', 'outside')),
  PRIMARY KEY (shop_id, vehicle_id),
  FOREIGN KEY (shop_id, vehicle_id) REFERENCES vehicles (shop_id, id),
  CHECK (cardinality(fan_on_c) = cardinality(fan_off_c) AND cardinality(fan_on_c) <= 4)
);
CREATE TABLE jobs (
  shop_id uuid NOT NULL REFERENCES shops,
  id uuid NOT NULL,
  number integer NOT NULL CHECK (number > 0),
  vehicle_id uuid NOT NULL,
  opened_by uuid NOT NULL,
  assigned_to uuid,
  bay text NOT NULL DEFAULT '' CHECK (length(bay) <= 40),
  last_seq integer NOT NULL DEFAULT 0 CHECK (last_seq >= 0),
  opened_at timestamptz NOT NULL,
  signed_at timestamptz,
  signed_by uuid,
  sign_reason text CHECK (length(sign_reason) <= 2000),
  PRIMARY KEY (shop_id, id),
  UNIQUE (shop_id, number),
  FOREIGN KEY (shop_id, vehicle_id) REFERENCES vehicles (shop_id, id),
  FOREIGN KEY (shop_id, opened_by) REFERENCES people (shop_id, id),
  FOREIGN KEY (shop_id, assigned_to) REFERENCES people (shop_id, id),
  FOREIGN KEY (shop_id, signed_by) REFERENCES people (shop_id, id),
  CHECK ((signed_at IS NULL) = (signed_by IS NULL))
);
CREATE INDEX jobs_of_vehicle ON jobs (shop_id, vehicle_id, opened_at DESC);
CREATE INDEX jobs_open ON jobs (shop_id, opened_at) WHERE signed_at IS NULL;
CREATE TABLE entries (
  shop_id uuid NOT NULL,
  id uuid NOT NULL,
  job_id uuid NOT NULL,
  seq integer NOT NULL CHECK (seq > 0),
  at timestamptz NOT NULL,
  by uuid NOT NULL,
  stage text NOT NULL CHECK (stage IN ('ask', 'find', 'plan', 'strip', 'build', 'fill', 'prove', 'sign')),
  kind text NOT NULL CHECK (kind IN ('movement', 'reading', 'test', 'decision', 'caution', 'note')),
  account text CHECK (account IN ('coolant', 'fastener', 'connector', 'hose', 'clip', 'part', 'line-cap', 'tool')),
  item text CHECK (length(item) BETWEEN 1 AND 120),
  place text CHECK (length(place) BETWEEN 1 AND 120),
  "out" double precision CHECK ("out" > 0 AND "out" <= 1000),
  "in" double precision CHECK ("in" > 0 AND "in" <= 1000),
  unit text CHECK (length(unit) BETWEEN 1 AND 8),
  value double precision CHECK (value BETWEEN -1e9 AND 1e9),
  text text CHECK (length(text) BETWEEN 1 AND 2000),
  data jsonb CHECK (jsonb_typeof(data) = 'object' AND length(data::text) <= 20000),
  corrects uuid,
  booked_at timestamptz NOT NULL DEFAULT now(),
  PRIMARY KEY (shop_id, id),
  UNIQUE (shop_id, job_id, seq),
  UNIQUE (shop_id, job_id, id),
  UNIQUE (shop_id, corrects),
  FOREIGN KEY (shop_id, job_id) REFERENCES jobs (shop_id, id),
  FOREIGN KEY (shop_id, by) REFERENCES people (shop_id, id),
  FOREIGN KEY (shop_id, job_id, corrects) REFERENCES entries (shop_id, job_id, id),
  CHECK (kind <> 'movement' OR corrects IS NOT NULL OR (account IS NOT NULL AND item IS NOT NULL AND num_nonnulls("out", "in") = 1)),
  CHECK (account IS NULL OR account = 'coolant' OR (coalesce("out", "in", 1) = floor(coalesce("out", "in", 1)))),
  CHECK (num_nonnulls("out", "in") <= 1)
);
CREATE TABLE logs (
  shop_id uuid NOT NULL,
  id uuid NOT NULL,
  job_id uuid NOT NULL,
  name text NOT NULL CHECK (length(name) BETWEEN 1 AND 200),
  rows integer NOT NULL CHECK (rows >= 2),
  sha256 text NOT NULL CHECK (sha256 ~ '^[0-9a-f]{64}$'),
  content bytea NOT NULL,
  created_by uuid NOT NULL,
  created_at timestamptz NOT NULL DEFAULT now(),
  PRIMARY KEY (shop_id, id),
  FOREIGN KEY (shop_id, job_id) REFERENCES jobs (shop_id, id),
  FOREIGN KEY (shop_id, created_by) REFERENCES people (shop_id, id)
);
CREATE INDEX logs_of_job ON logs (shop_id, job_id);
CREATE TABLE audit (
  shop_id uuid NOT NULL REFERENCES shops,
  id bigint GENERATED ALWAYS AS IDENTITY,
  at timestamptz NOT NULL DEFAULT now(),
  person_id uuid,
  what text NOT NULL CHECK (length(what) BETWEEN 1 AND 80),
  about jsonb NOT NULL DEFAULT '{}',
  PRIMARY KEY (shop_id, id)
);`;

const triggers = `
CREATE FUNCTION refuse_change() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  RAISE EXCEPTION '% is append-only: book a correction instead', TG_TABLE_NAME USING ERRCODE = 'restrict_violation';
END $$;
CREATE FUNCTION refuse_entry_after_signing() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF NEW.corrects IS NULL AND EXISTS (SELECT 1 FROM jobs WHERE shop_id = NEW.shop_id AND id = NEW.job_id AND signed_at IS NOT NULL) THEN
    RAISE EXCEPTION 'a signed job takes corrections only' USING ERRCODE = 'restrict_violation';
  END IF;
  RETURN NEW;
END $$;
CREATE FUNCTION refuse_unsigning() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  IF OLD.signed_at IS NOT NULL AND (NEW.signed_at, NEW.signed_by, NEW.sign_reason, NEW.vehicle_id, NEW.number)
     IS DISTINCT FROM (OLD.signed_at, OLD.signed_by, OLD.sign_reason, OLD.vehicle_id, OLD.number) THEN
    RAISE EXCEPTION 'a signed job stays signed' USING ERRCODE = 'restrict_violation';
  END IF;
  RETURN NEW;
END $$;
CREATE TRIGGER entries_after_signing BEFORE INSERT ON entries FOR EACH ROW EXECUTE FUNCTION refuse_entry_after_signing();
CREATE TRIGGER jobs_stay_signed BEFORE UPDATE ON jobs FOR EACH ROW EXECUTE FUNCTION refuse_unsigning();
${APPEND_ONLY.map(
  (table) => `
CREATE TRIGGER ${table}_append_only BEFORE UPDATE OR DELETE ON ${table} FOR EACH ROW EXECUTE FUNCTION refuse_change();
CREATE TRIGGER ${table}_no_truncate BEFORE TRUNCATE ON ${table} FOR EACH STATEMENT EXECUTE FUNCTION refuse_change();`,
).join("")}`;

const THIS_SHOP = "nullif(current_setting('app.shop_id', true), '')::uuid";

const security = `
ALTER TABLE shops ENABLE ROW LEVEL SECURITY;
ALTER TABLE shops FORCE ROW LEVEL SECURITY;
-- A shop may also be found by the name it is signed in with, before anybody is known.
CREATE POLICY own_shop ON shops USING (id = ${THIS_SHOP} OR slug = nullif(current_setting('app.shop_slug', true), ''))
  WITH CHECK (id = ${THIS_SHOP});
${SHOP_TABLES.map(
  (table) => `
ALTER TABLE ${table} ENABLE ROW LEVEL SECURITY;
ALTER TABLE ${table} FORCE ROW LEVEL SECURITY;
CREATE POLICY own_rows ON ${table} USING (shop_id = ${THIS_SHOP}) WITH CHECK (shop_id = ${THIS_SHOP});`,
).join("")}
GRANT USAGE ON SCHEMA public TO ${APP_ROLE};
GRANT SELECT, UPDATE (name, units, time_zone, last_job_number) ON shops TO ${APP_ROLE};
GRANT SELECT, INSERT, UPDATE ON people, vehicles, cooling_cards, jobs TO ${APP_ROLE};
GRANT SELECT, INSERT, DELETE ON devices, sessions TO ${APP_ROLE};
GRANT SELECT, INSERT ON entries, logs, audit TO ${APP_ROLE};`;

export const firstTables: Migration = {
  name: "001-first-tables",
  up: `${tables}${triggers}${security}`,
  down: `DROP TABLE audit, logs, entries, jobs, cooling_cards, vehicles, sessions, devices, people, shops;
DROP FUNCTION refuse_change, refuse_entry_after_signing, refuse_unsigning;`,
};
