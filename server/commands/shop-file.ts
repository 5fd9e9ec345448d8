import "reflect-metadata";
import { appUrl } from "../database/addresses.ts";
import { backupUrl } from "../database/backup-role.ts";
import { findShopBySlug, openDatabase } from "../database/connection.ts";
import { migrate } from "../database/migrate.ts";
import { Refusal } from "../desk/refusal.ts";
import { packShop } from "../subjects/shops/pack-shop.ts";
import { lookAtShop, unpackShop } from "../subjects/shops/unpack-shop.ts";
import { answered } from "./answered.ts";

// out FILE SLUG [secrets] | look FILE | in FILE [SLUG] [LEAD]: one line of JSON for bin/shop-file.mjs and bin/shop.mjs.
const url = process.env.DATABASE_URL;
if (!url) throw new Error("DATABASE_URL does not say where the database is.");
const [what, path = "", slug = "", more = ""] = process.argv.slice(2);

async function write(ownerUrl: string) {
  const app = openDatabase(appUrl(process.env));
  // Reads every row whatever the time it takes, and can write none.
  const reader = openDatabase(backupUrl(ownerUrl), { isPatient: true });
  try {
    const shop = await findShopBySlug(app, slug);
    if (!shop) throw new Refusal({ message: `No shop here signs in as “${slug}”.` });
    const { shop: told, tables } = await packShop(
      reader,
      { shopId: shop.id, withSecrets: more === "secrets" },
      path,
    );
    return { ...told, tables };
  } finally {
    await Promise.all([app.sequelize.close(), reader.sequelize.close()]);
  }
}

async function read(ownerUrl: string) {
  await migrate(ownerUrl);
  const { LEAD_PIN: pin = "", LEAD_PASSWORD: password = "" } = process.env;
  const owner = openDatabase(ownerUrl, { isPatient: true });
  try {
    const lead = more ? { lead: { name: more, pin, password } } : {};
    return {
      appUrl: appUrl(process.env),
      ...(await unpackShop(owner, path, { ...(slug && { slug }), ...lead })),
    };
  } finally {
    await owner.sequelize.close();
  }
}

await answered(async () => {
  if (what === "out") return write(url);
  if (what === "look") return lookAtShop(path);
  if (what === "in") return read(url);
  throw new Error(`“${what}” is not known here.`);
});
