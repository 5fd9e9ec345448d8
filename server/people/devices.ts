import { randomUUID } from "node:crypto";
import { atDesk, type Database, type Desk } from "../database/connection.ts";
import { hashToken, newToken, shopOfToken } from "./secrets.ts";

/** Makes a browser the shop's own: whoever holds the token is shown the name tiles. */
export async function enrolDevice(
  { models, transaction, shopId, personId, now }: Desk,
  name: string,
): Promise<string> {
  const token = newToken(shopId);
  await models.Device.create(
    { shopId, id: randomUUID(), name, tokenHash: hashToken(token), createdAt: now },
    { transaction },
  );
  await models.Audit.create(
    { shopId, personId, what: "device enrolled", at: now, about: { name } },
    { transaction },
  );
  return token;
}

export async function removeDevice(
  { models, transaction, shopId, personId, now }: Desk,
  id: string,
): Promise<void> {
  const count = await models.Device.destroy({ where: { id }, transaction });
  if (count > 0)
    await models.Audit.create(
      { shopId, personId, what: "device removed", at: now, about: { id } },
      { transaction },
    );
}

export interface Tiles {
  shopId: string;
  shopName: string;
  people: { id: string; name: string; role: string }[];
}

/** The name tiles of the shop that a device belongs to; nothing where the token isn't an enrolled device's. */
export async function findTiles(database: Database, token: string | undefined): Promise<Tiles | undefined> {
  const shopId = shopOfToken(token);
  if (!shopId || !token) return undefined;
  return atDesk(database, { shopId }, async ({ models, transaction }) => {
    const device = await models.Device.findOne({ where: { tokenHash: hashToken(token) }, transaction });
    if (!device) return undefined;
    const shop = await models.Shop.findByPk(shopId, { transaction });
    const people = await models.Person.findAll({
      where: { isActive: true },
      order: ["name"],
      attributes: ["id", "name", "role"],
      transaction,
    });
    return {
      shopId,
      shopName: shop?.name ?? "",
      people: people.map(({ id, name, role }) => ({ id, name, role })),
    };
  });
}
