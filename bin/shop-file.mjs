#!/usr/bin/env node
// Writes everything that one shop has into a file, to be read in elsewhere: npm run shop-file -- FILE [--of SHORT-NAME] [--with-secrets]
import { existsSync } from "node:fs";
import { resolve } from "node:path";
import { parseArgs } from "node:util";
import { databaseOf, runShopFile } from "./lib/backups.mjs";
import { keptShop } from "./lib/kept-shop.mjs";
import { ensurePackages } from "./lib/packages.mjs";
import { stopAll } from "./lib/processes.mjs";
import { run, say, Trouble } from "./lib/say.mjs";

const USAGE = `npm run shop-file -- FILE    writes the shop that is served here into a zip, as it stands at one moment
  --of SHORT-NAME            another shop of this database
  --with-secrets             what its people sign in by too, for a shop that moves: keep such a file to yourself
To read it in: npm run shop -- --from FILE`;

await run(async () => {
  const { values, positionals } = parseArgs({
    options: { of: { type: "string" }, "with-secrets": { type: "boolean", default: false } },
    allowPositionals: true,
  });
  const [given] = positionals;
  const slug = values.of ?? keptShop()?.slug;
  if (!given || !slug) throw new Trouble(USAGE);
  const file = resolve(given);
  if (existsSync(file)) throw new Trouble(`${file} is there already. Nothing was written.`);
  try {
    await ensurePackages();
    const secrets = values["with-secrets"] ? ["secrets"] : [];
    const { name, tables } = await runShopFile(await databaseOf("shop"), "out", file, slug, ...secrets);
    say(
      `${file}: ${name}, ${tables.jobs} jobs, ${tables.entries} lines, ${tables.logs} logs, ${tables.pictures} pictures.`,
    );
  } finally {
    await stopAll();
  }
});
