import { seedDemo } from "../../demo/seed.ts";
import { makeTemplate, scratchDatabase } from "../../server/testing/scratch-database.ts";
import { launchBrowser } from "./browser.ts";
import { WALKERS } from "./walkers.ts";

/** A browser for each walker and one seeded shop for the whole run; each file has a clone of the shop and a server of its own. */
export default async function setUp(): Promise<() => Promise<void>> {
  await makeTemplate();
  const shop = await scratchDatabase();
  await seedDemo(shop.owner, shop.database, new Date());
  await shop.leave();
  const browsers = await Promise.all(Array.from({ length: WALKERS }, launchBrowser));
  process.env.SEEDED_TEMPLATE = shop.name;
  process.env.BROWSER_ENDPOINTS = browsers.map(({ browser }) => browser.wsEndpoint()).join(" ");
  return async () => {
    for (const { close } of browsers) await close();
    await shop.drop();
  };
}
