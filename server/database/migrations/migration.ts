/** One reversible step of the schema, in SQL; run whole or not at all. */
export interface Migration {
  name: string;
  up: string;
  down: string;
}
