import { randomUUID } from "node:crypto";
import { atDesk, type Database, type Desk } from "../../database/connection.ts";
import type { Device } from "../../database/models/device.ts";
import { hashToken, newToken, shopOfToken } from "./secrets.ts";

const INVITED_MS = 3_600_000;

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

/** What makes one browser the shop's own when it is opened there: once, and within the hour. */
export async function inviteDevice(desk: Desk, name: string): Promise<string> {
  const { models, transaction, shopId, personId, now } = desk;
  const token = newToken(shopId);
  await models.Invitation.create(
    {
      ...{ shopId, tokenHash: hashToken(token), name, madeBy: personId },
      expiresAt: new Date(now.getTime() + INVITED_MS),
    },
    { transaction },
  );
  await models.Audit.create(
    { shopId, personId, what: "device invited", at: now, about: { name } },
    { transaction },
  );
  return token;
}

/** Takes an invitation up: the token of a new browser of the shop's own; nothing where it was used, is over, or never was. */
export async function takeUpInvitation(
  database: Database,
  token: string | undefined,
  now = new Date(),
): Promise<string | undefined> {
  const shopId = shopOfToken(token);
  if (!shopId || !token) return undefined;
  return atDesk(database, { shopId, now }, async (desk) => {
    const { models, transaction } = desk;
    const where = { tokenHash: hashToken(token) };
    const invited = await models.Invitation.findOne({ where, transaction });
    // Whoever takes the row away has it: opened twice at once, it is good for one.
    const taken = await models.Invitation.destroy({ where, transaction });
    if (!invited || taken === 0 || invited.expiresAt <= now) return undefined;
    return enrolDevice({ ...desk, personId: invited.madeBy }, invited.name);
  });
}

/** The browser that a token makes the shop's own; nothing where it is none's. */
export async function findDevice(
  { models, transaction }: Pick<Desk, "models" | "transaction">,
  token: string | undefined,
): Promise<Device | null> {
  return token ? models.Device.findOne({ where: { tokenHash: hashToken(token) }, transaction }) : null;
}

/** A browser is the shop's no longer, and nobody is signed in on it. */
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
  if (!shopId) return undefined;
  return atDesk(database, { shopId }, async (desk) => {
    const { models, transaction } = desk;
    if (!(await findDevice(desk, token))) return undefined;
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
