import { atDesk, type Database } from "../../database/connection.ts";

export interface NewShop {
  id: string;
  slug: string;
  name: string;
  units: "metric" | "us";
  timeZone: string;
}

/** Opens the books of a new shop. Needs the owner's connection: the application itself can't make shops. */
export async function createShop(owner: Database, shop: NewShop): Promise<void> {
  await atDesk(owner, { shopId: shop.id }, ({ models, transaction }) =>
    models.Shop.create({ ...shop }, { transaction }),
  );
}
