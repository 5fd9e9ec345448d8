import { APP_ROLE, type Migration } from "./migration.ts";

const ownRows = (table: string) => `
ALTER TABLE ${table} ENABLE ROW LEVEL SECURITY;
ALTER TABLE ${table} FORCE ROW LEVEL SECURITY;
CREATE POLICY own_rows ON ${table} USING (shop_id = shop_at_desk()) WITH CHECK (shop_id = shop_at_desk());
GRANT SELECT, INSERT, UPDATE, DELETE ON ${table} TO ${APP_ROLE};`;

/** Logs that are recorded as the engine runs: what was read, what somebody said meanwhile, what the car is asked, and whose turn it is. */
export const liveLogs: Migration = {
  name: "031-live-logs",
  up: `
-- Null where the shop has none.
ALTER TABLE shops ADD COLUMN adapter jsonb CHECK (jsonb_typeof(adapter) = 'object' AND length(adapter::text) <= 500);
GRANT UPDATE (adapter) ON shops TO ${APP_ROLE};
CREATE TABLE live_logs (
  shop_id uuid NOT NULL REFERENCES shops,
  id uuid NOT NULL,
  job_id uuid NOT NULL,
  -- What is said to the adapter before anything is asked; empty where it wants nothing.
  opening text NOT NULL CHECK (length(opening) <= 200),
  per_second integer NOT NULL CHECK (per_second BETWEEN 1 AND 5),
  rested_h real CHECK (rested_h >= 0),
  pace real NOT NULL DEFAULT 1 CHECK (pace BETWEEN 1 AND 60),
  started_by uuid NOT NULL,
  started_at timestamptz NOT NULL,
  stop_asked_at timestamptz,
  ended_at timestamptz,
  -- What keeps it from being read just now, or why it ended.
  trouble text CHECK (length(trouble) <= 300),
  PRIMARY KEY (shop_id, id),
  FOREIGN KEY (shop_id, job_id) REFERENCES jobs (shop_id, id),
  FOREIGN KEY (shop_id, started_by) REFERENCES people (shop_id, id)
);
-- One a job at a time: a car has one port.
CREATE UNIQUE INDEX live_logs_running ON live_logs (shop_id, job_id) WHERE ended_at IS NULL;
CREATE INDEX live_logs_job ON live_logs (shop_id, job_id);
CREATE TABLE live_log_parts (
  shop_id uuid NOT NULL,
  log_id uuid NOT NULL,
  seq bigint GENERATED ALWAYS AS IDENTITY,
  samples jsonb NOT NULL CHECK (jsonb_typeof(samples) = 'array' AND length(samples::text) <= 100000),
  PRIMARY KEY (shop_id, log_id, seq),
  FOREIGN KEY (shop_id, log_id) REFERENCES live_logs (shop_id, id) ON DELETE CASCADE
);
CREATE TABLE live_log_marks (
  shop_id uuid NOT NULL,
  log_id uuid NOT NULL,
  id uuid NOT NULL,
  s double precision NOT NULL CHECK (s >= 0),
  what text NOT NULL CHECK (length(what) BETWEEN 1 AND 80),
  said_by uuid NOT NULL,
  PRIMARY KEY (shop_id, log_id, id),
  FOREIGN KEY (shop_id, log_id) REFERENCES live_logs (shop_id, id) ON DELETE CASCADE,
  FOREIGN KEY (shop_id, said_by) REFERENCES people (shop_id, id)
);
CREATE TABLE live_log_asks (
  shop_id uuid NOT NULL,
  log_id uuid NOT NULL,
  id uuid NOT NULL,
  ask text NOT NULL CHECK (ask IN ('codes', 'clear', 'fan-on', 'fan-off')),
  asked_by uuid NOT NULL,
  asked_at timestamptz NOT NULL,
  answer jsonb,
  PRIMARY KEY (shop_id, log_id, id),
  FOREIGN KEY (shop_id, log_id) REFERENCES live_logs (shop_id, id) ON DELETE CASCADE,
  FOREIGN KEY (shop_id, asked_by) REFERENCES people (shop_id, id)
);
-- Which process reads which log, and until when it has said so. Any process of any shop may take one that nobody holds: of a log
-- it learns no more by that than its id and its shop's.
CREATE TABLE live_log_turns (
  shop_id uuid NOT NULL,
  log_id uuid NOT NULL,
  reader uuid,
  until_at timestamptz NOT NULL,
  PRIMARY KEY (shop_id, log_id),
  FOREIGN KEY (shop_id, log_id) REFERENCES live_logs (shop_id, id) ON DELETE CASCADE
);
CREATE INDEX live_log_turns_free ON live_log_turns (until_at);
${["live_logs", "live_log_parts", "live_log_marks", "live_log_asks", "live_log_turns"].map(ownRows).join("")}
CREATE POLICY whose_turn ON live_log_turns USING (current_setting('app.takes_turns', true) = 'yes');
`,
  down: `
DROP TABLE live_log_turns;
DROP TABLE live_log_asks;
DROP TABLE live_log_marks;
DROP TABLE live_log_parts;
DROP TABLE live_logs;
ALTER TABLE shops DROP COLUMN adapter;`,
};
