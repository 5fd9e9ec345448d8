import { randomUUID } from "node:crypto";
import { type ShelfItem, shelfKey } from "../../../core/trade/shelf/index.ts";
import { alone } from "../../database/alone.ts";
import type { Desk } from "../../database/connection.ts";
import { notFound, Refusal } from "../../desk/refusal.ts";

const MOST_ON_SHELF = 20_000;

/**
 * Puts things that can be bought on the shop's shelf, all of them or none. What is there already, by kind, item, grade
 * and supplier, is brought up to date but for what is `unsaid`.
 */
export async function putOnShelf(
  desk: Desk,
  items: readonly ShelfItem[],
  unsaid: readonly (keyof ShelfItem)[] = [],
): Promise<{ added: number; changed: number }> {
  const { models, transaction, shopId, personId, now } = desk;
  if (!personId) throw notFound("The shelf");
  await alone(desk, "shelf");
  const there = await models.ShelfRow.findAll({ transaction });
  const byKey = new Map(there.map((row) => [shelfKey(row), row]));
  const fresh = items.filter((item) => !byKey.has(shelfKey(item)));
  if (there.length + fresh.length > MOST_ON_SHELF)
    throw new Refusal({ message: `The shelf holds ${MOST_ON_SHELF} things; take some off first.` });
  for (const item of items) {
    const row = byKey.get(shelfKey(item));
    const said = Object.fromEntries(
      Object.entries(item).filter(([field]) => !unsaid.includes(field as keyof ShelfItem)),
    );
    if (row) await row.update({ ...said, changedAt: now, changedBy: personId }, { transaction });
  }
  await models.ShelfRow.bulkCreate(
    fresh.map((item) => ({ ...item, id: randomUUID(), shopId, changedAt: now, changedBy: personId })),
    { transaction, returning: false },
  );
  return { added: fresh.length, changed: items.length - fresh.length };
}

/** Takes something off the shelf; what was bought stays in its jobs' books. Taken off twice is taken off. */
export async function takeOffShelf({ models, transaction }: Desk, id: string): Promise<void> {
  await models.ShelfRow.destroy({ where: { id }, transaction });
}
