// Writes what docs/formats/job.schema.json says of entries, facts and cards anew, from what checks them: npm run schema
import { readFileSync, writeFileSync } from "node:fs";
import { cardSchema } from "../server/testing/card-schema.ts";
import { entryDefinitions } from "../server/testing/job-schema.ts";

const FILE = new URL("../docs/formats/job.schema.json", import.meta.url);
const schema = JSON.parse(readFileSync(FILE, "utf8"));
schema.$defs = { account: schema.$defs.account, ...entryDefinitions() };
schema.properties.card = cardSchema();
writeFileSync(FILE, `${JSON.stringify(schema, null, 2)}\n`);
