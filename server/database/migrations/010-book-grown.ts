import type { Migration } from "./migration.ts";

/** Whoever looks at a job is told when its book grows, whichever process wrote to it: shop and job, nothing of the line. */
export const bookGrown: Migration = {
  name: "010-book-grown",
  up: `
CREATE FUNCTION tell_book_grown() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  PERFORM pg_notify('book_grown', NEW.shop_id || ' ' || NEW.job_id);
  RETURN NULL;
END $$;
CREATE TRIGGER entries_tell AFTER INSERT ON entries FOR EACH ROW EXECUTE FUNCTION tell_book_grown();
`,
  down: `
DROP TRIGGER entries_tell ON entries;
DROP FUNCTION tell_book_grown();
`,
};
