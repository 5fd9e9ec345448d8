/** Stands in a step for the role of the database that it runs in. */
export const APP_ROLE = "the_app_role_of_this_database";

/** Runs SQL inside the step's own transaction and answers with its rows. */
export type Run = (sql: string, bind?: unknown[]) => Promise<Record<string, unknown>[]>;

/** One reversible step of the schema, in SQL or in code where rows must be read; run whole or not at all. */
export interface Migration {
  name: string;
  up: string | ((run: Run) => Promise<void>);
  down: string | ((run: Run) => Promise<void>);
}
