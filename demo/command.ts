import { BaseError } from "sequelize";
import { appRole, appUrl } from "../server/database/addresses.ts";
import { atDesk, openDatabase } from "../server/database/connection.ts";
import { migrate } from "../server/database/migrate.ts";
import { enrolDevice, findTiles } from "../server/subjects/people/devices.ts";
import { SHOP_ID, seedDemo } from "./seed.ts";
import { PEOPLE, SHOP } from "./shop.ts";

// Migrates, seeds an empty database and enrols this machine's browser. Prints one line of JSON for bin/demo.mjs.
const url = process.env.DATABASE_URL;
if (!url) throw new Error("DATABASE_URL does not say where the database is.");

/** What the database says is one sentence; anything else is a fault and keeps its stack. */
process.on("uncaughtException", (error) => {
  const words =
    error instanceof BaseError ? `The database answered: ${error.message || error.name}` : error.stack;
  process.stderr.write(`${words}\n`);
  process.exit(1);
});

await migrate(url);
const owner = openDatabase(url, { isPatient: true });
const app = openDatabase(appUrl(process.env));
try {
  const shop = await atDesk(app, { shopId: SHOP_ID }, ({ models, transaction }) =>
    models.Shop.findByPk(SHOP_ID, { transaction }),
  );
  if (!shop) {
    const told = openDatabase(url, { isPatient: true, inRole: appRole(url) });
    await seedDemo(owner, told, new Date()).finally(() => told.sequelize.close());
  }
  const known = process.env.DEMO_DEVICE;
  const isKnown = known && (await findTiles(app, known));
  const device = isKnown
    ? known
    : await atDesk(app, { shopId: SHOP_ID }, (desk) => enrolDevice(desk, "the demo's browser"));
  const people = PEOPLE.map(({ name, role, pin, password }) => ({ name, role, pin, password }));
  process.stdout.write(
    `${JSON.stringify({ seeded: !shop, appUrl: appUrl(process.env), device, slug: SHOP.slug, shop: SHOP.name, people })}\n`,
  );
} finally {
  await owner.sequelize.close();
  await app.sequelize.close();
}
