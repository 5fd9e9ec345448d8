import { seedDemo } from "../../demo/seed.ts";
import { makeTemplate, scratchDatabase } from "../../server/testing/scratch-database.ts";
import { launchBrowser } from "./browser.ts";

/** One browser and one seeded shop for the whole run; each file of tests has a clone of the shop and a server of its own. */
export default async function setUp(): Promise<() => Promise<void>> {
  await makeTemplate();
  const shop = await scratchDatabase();
  await seedDemo(shop.owner, shop.database, new Date());
  await shop.leave();
  const { browser, close } = await launchBrowser();
  process.env.SEEDED_TEMPLATE = shop.name;
  process.env.BROWSER_ENDPOINT = browser.wsEndpoint();
  return async () => {
    await close();
    await shop.drop();
  };
}
