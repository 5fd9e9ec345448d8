import type { Entry } from "../../../core/book/entry/index.ts";
import { lifted } from "../../../core/book/facts/index.ts";
import type { Migration, Run } from "./migration.ts";

const BATCH = 500;

/** The book takes no change from anybody; its owner lays that down for as long as a step of the schema takes. */
async function unlocked(run: Run, work: () => Promise<void>): Promise<void> {
  await run("ALTER TABLE entries NO FORCE ROW LEVEL SECURITY");
  await run("ALTER TABLE entries DISABLE TRIGGER entries_append_only");
  await work();
  await run("ALTER TABLE entries ENABLE TRIGGER entries_append_only");
  await run("ALTER TABLE entries FORCE ROW LEVEL SECURITY");
}

type Row = Entry & { shopId: string };

async function rewrite(run: Run, change: (entry: Entry) => unknown): Promise<void> {
  let after = { shop: "00000000-0000-0000-0000-000000000000", id: "00000000-0000-0000-0000-000000000000" };
  for (;;) {
    const rows = (await run(
      `SELECT shop_id AS "shopId", id, kind, stage, item, place, text, value, unit, data FROM entries
        WHERE (shop_id, id) > ($1::uuid, $2::uuid) ORDER BY shop_id, id LIMIT ${BATCH}`,
      [after.shop, after.id],
    )) as unknown as Row[];
    const last = rows.at(-1);
    if (!last) return;
    after = { shop: last.shopId, id: last.id };
    for (const row of rows) {
      const { shopId, ...nullable } = row;
      const entry = Object.fromEntries(Object.entries(nullable).filter(([, value]) => value !== null));
      const data = change(entry as unknown as Entry);
      if (data === undefined) continue;
      await run("UPDATE entries SET data = $3 WHERE shop_id = $1 AND id = $2", [
        shopId,
        row.id,
        data === null ? null : JSON.stringify(data),
      ]);
    }
  }
}

const upwards = (entry: Entry) => {
  const now = lifted(entry);
  return now === entry ? undefined : now.data;
};

const MARKS: Record<string, Record<string, unknown>> = {
  "chosen-part": { chosenPart: true },
  "no-parts": { noParts: true },
  signature: { signed: true },
  "caution-read": { acknowledged: true },
};
const NAMES: Record<string, Record<string, string>> = {
  "checked-part": { part: "checkedPart" },
  "cannot-test": { test: "cannot" },
};

/** The loose keys that a fact was written in before. */
const downwards = ({ data }: Entry) => {
  if (typeof data?.fact !== "string") return undefined;
  const { fact, v: _, heat, hazardsRead, ...fields } = data;
  const names = NAMES[fact] ?? {};
  const loose = {
    ...MARKS[fact],
    ...Object.fromEntries(Object.entries(fields).map(([name, value]) => [names[name] ?? name, value])),
    ...(hazardsRead === undefined ? {} : { acknowledged: hazardsRead }),
    ...(fact === "coolant-level" ? { coldCheck: heat === "cold" } : {}),
  };
  return Object.keys(loose).length > 0 ? loose : null;
};

/** What an entry says beyond its figures gets a name, `data.fact`, and that name a column to ask by. */
export const facts: Migration = {
  name: "003-facts",
  up: async (run) => {
    await unlocked(run, () => rewrite(run, upwards));
    await run("ALTER TABLE entries ADD COLUMN fact text GENERATED ALWAYS AS (data->>'fact') STORED");
    await run("CREATE INDEX entries_by_fact ON entries (shop_id, fact, job_id) WHERE fact IS NOT NULL");
  },
  down: async (run) => {
    await run("ALTER TABLE entries DROP COLUMN fact");
    await unlocked(run, () => rewrite(run, downwards));
  },
};
