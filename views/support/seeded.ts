import { seedOnce } from "../../e2e/support/seed.ts";

/** One seeded shop for the whole run, made here unless `SEEDED_TEMPLATE` names one; each file has a clone of it. */
export default async function setUp(): Promise<() => Promise<void>> {
  if (process.env.SEEDED_TEMPLATE) return async () => undefined;
  const shop = await seedOnce();
  process.env.SEEDED_TEMPLATE = shop.name;
  return () => shop.drop();
}
