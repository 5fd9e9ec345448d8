import { makeTemplate } from "../../server/testing/scratch-database.ts";
import { launchBrowser } from "./browser.ts";
import { seedOnce } from "./seed.ts";
import { WALKERS } from "./walkers.ts";

/**
 * A browser for each walker and one seeded shop for the whole run, made here unless `SEEDED_TEMPLATE` names one; each file
 * has a clone of the shop and a server of its own.
 */
export default async function setUp(): Promise<() => Promise<void>> {
  const shop = process.env.SEEDED_TEMPLATE ? undefined : await seedOnce();
  if (shop) process.env.SEEDED_TEMPLATE = shop.name;
  else await makeTemplate();
  const browsers = await Promise.all(Array.from({ length: WALKERS }, launchBrowser));
  process.env.BROWSER_ENDPOINTS = browsers.map(({ browser }) => browser.wsEndpoint()).join(" ");
  return async () => {
    for (const { close } of browsers) await close();
    await shop?.drop();
  };
}
