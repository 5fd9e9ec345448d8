import type { Desk } from "../../database/connection.ts";
import { notFound } from "../../desk/refusal.ts";
import { hashToken } from "../people/secrets.ts";

const LONGEST_MS = 365 * 86_400_000;

export interface ToldUnsent {
  /** Made by the browser, once. */
  browserId: string;
  /** How many entries wait there; with 0 it is forgotten. */
  entries: number;
  /** When the oldest of them was typed. */
  since: Date;
  /** The token that makes the browser the shop's own, where it is. */
  device?: string;
}

/** What the browser is called: its own name where it is the shop's, else by whoever sits at it. */
async function nameOf({ models, transaction, personId }: Desk, device: string | undefined): Promise<string> {
  const own = device
    ? await models.Device.findOne({ where: { tokenHash: hashToken(device) }, transaction })
    : null;
  if (own) return own.name;
  const person = await models.Person.findOne({ where: { id: personId }, transaction });
  if (!person) throw notFound("That person");
  return `${person.name}'s browser`;
}

/** Notes what a browser tells of the entries that wait in it, for the rest of the shop to see. */
export async function tellUnsent(
  desk: Desk,
  { browserId, entries, since, device }: ToldUnsent,
): Promise<void> {
  const { models, transaction, shopId, personId, now } = desk;
  if (!personId) throw notFound("That person");
  await models.UnsentHere.destroy({ where: { browserId }, transaction });
  if (entries === 0) return;
  const name = await nameOf(desk, device);
  // A clock that runs ahead has typed nothing in the future, and one that has stopped nothing a lifetime ago.
  const from = new Date(Math.max(Math.min(since.getTime(), now.getTime()), now.getTime() - LONGEST_MS));
  await models.UnsentHere.create(
    { shopId, browserId, name, entries, since: from, toldAt: now, toldBy: personId },
    { transaction },
  );
}

/** The browsers that have told of entries waiting in them, the longest waiting first. */
export async function listUnsent({ models, transaction }: Desk) {
  const told = await models.UnsentHere.findAll({ order: ["since"], transaction });
  return told.map(({ browserId, name, entries, since, toldAt }) => ({
    browserId,
    name,
    entries,
    since: since.toISOString(),
    toldAt: toldAt.toISOString(),
  }));
}
