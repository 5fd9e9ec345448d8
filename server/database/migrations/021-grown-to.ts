import type { Migration } from "./migration.ts";

/** Whoever is told that a book has grown is told how far: of two hundred who look at it nobody has to ask. */
export const grownTo: Migration = {
  name: "021-grown-to",
  up: `
DROP TRIGGER entries_tell ON entries;
CREATE OR REPLACE FUNCTION tell_book_grown() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  PERFORM pg_notify('book_grown', shop_id || ' ' || job_id || ' ' || max(seq)) FROM added GROUP BY shop_id, job_id;
  RETURN NULL;
END $$;
CREATE TRIGGER entries_tell AFTER INSERT ON entries
  REFERENCING NEW TABLE AS added FOR EACH STATEMENT EXECUTE FUNCTION tell_book_grown();
`,
  down: `
DROP TRIGGER entries_tell ON entries;
CREATE OR REPLACE FUNCTION tell_book_grown() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  PERFORM pg_notify('book_grown', NEW.shop_id || ' ' || NEW.job_id);
  RETURN NULL;
END $$;
CREATE TRIGGER entries_tell AFTER INSERT ON entries FOR EACH ROW EXECUTE FUNCTION tell_book_grown();
`,
};
