import "reflect-metadata";
import { type ValidationError, validateSync } from "class-validator";
import { asClass } from "../../core/kernel/plain/index.ts";
import { appUrl } from "../database/addresses.ts";
import { findShopBySlug, openDatabase } from "../database/connection.ts";
import { migrate } from "../database/migrate.ts";
import { Refusal } from "../desk/refusal.ts";
import { makeShop } from "../subjects/shops/make-shop.ts";
import { ShopForm } from "../subjects/shops/shop-to-make.ts";
import { answered } from "./answered.ts";

// Brings the database up to date, then finds the shop of a short name or makes it. Takes JSON, prints a line of it: for bin/shop.mjs.
const url = process.env.DATABASE_URL;
if (!url) throw new Error("DATABASE_URL does not say where the database is.");

const wordsOf = (errors: readonly ValidationError[]): string[] =>
  errors.flatMap(({ constraints, children }) => [
    ...Object.values(constraints ?? {}).slice(0, 1),
    ...wordsOf(children ?? []),
  ]);

async function settle(ownerUrl: string) {
  let given = "";
  for await (const part of process.stdin) given += part;
  const { slug, ...rest } = JSON.parse(given) as { slug: string };
  await migrate(ownerUrl);
  const owner = openDatabase(ownerUrl, { isPatient: true });
  const app = openDatabase(appUrl(process.env));
  try {
    const found = await findShopBySlug(app, slug);
    if (found || Object.keys(rest).length === 0)
      return { appUrl: appUrl(process.env), ...(found ? { name: found.name } : {}) };
    const asked = asClass(ShopForm, { slug, ...rest });
    const troubles = wordsOf(validateSync(asked, { forbidUnknownValues: false }));
    if (troubles.length > 0) throw new Refusal({ message: troubles.join(" ") });
    return { appUrl: appUrl(process.env), name: asked.name, ...(await makeShop(owner, app, asked)) };
  } finally {
    await Promise.all([owner.sequelize.close(), app.sequelize.close()]);
  }
}

await answered(() => settle(url));
