import { randomUUID } from "node:crypto";
import { atDesk, type Database } from "../../database/connection.ts";
import { addPerson } from "../people/add-person.ts";
import { inviteDevice } from "../people/devices.ts";
import { checkSecrets } from "../people/own-secret.ts";
import { hashSecrets } from "../people/secrets.ts";
import { createShop } from "./create-shop.ts";
import { changeCurrency } from "./read-shop.ts";

export interface ShopToMake {
  name: string;
  slug: string;
  timeZone: string;
  units: "metric" | "us";
  /** By ISO 4217. */
  currency: string;
  lead: { name: string; pin: string; password: string };
}

/**
 * Opens the books of a shop of somebody's own with its first lead, and nothing made up. Answers with the invitation that makes
 * the first browser the shop's own. Refuses a PIN or password that is guessed first.
 */
export async function makeShop(
  owner: Database,
  app: Database,
  { name, slug, timeZone, units, currency, lead }: ShopToMake,
): Promise<{ shopId: string; invitation: string }> {
  checkSecrets(lead, [lead.name, name, slug]);
  const hashed = await hashSecrets(lead);
  const [shopId, leadId] = [randomUUID(), randomUUID()];
  await createShop(owner, { id: shopId, slug, name, units, timeZone });
  const invitation = await atDesk(app, { shopId, personId: leadId }, async (desk) => {
    await addPerson({ ...desk, personId: null }, { id: leadId, role: "lead", ...hashed });
    await changeCurrency(desk, currency);
    return inviteDevice(desk, "the first browser");
  });
  return { shopId, invitation };
}
