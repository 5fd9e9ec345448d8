import { seedDemo } from "../../demo/seed.ts";
import { makeTemplate, scratchDatabase } from "../../server/testing/scratch-database.ts";

/** Makes the made-up shop once, in a database of this name, for every walk to be cloned from. */
export async function seedOnce(name?: string): Promise<{ name: string; drop: () => Promise<void> }> {
  await makeTemplate();
  const shop = await scratchDatabase(false, undefined, name);
  await seedDemo(shop.owner, shop.told, new Date());
  await shop.leave();
  return shop;
}

const [, program, name] = process.argv;
if (program === import.meta.filename && name) await seedOnce(name);
