import { type ShopHours, USUAL_HOURS } from "../../../core/stages/day/index.ts";
import { USUAL_RULES } from "../../../core/trade/follow-ups/index.ts";
import { lastBackup } from "../../backups/last-backup.ts";
import type { Desk } from "../../database/connection.ts";
import { notFound } from "../../desk/refusal.ts";
import { lastVerified } from "../../verify/last-verified.ts";
import { listUnsent } from "./tell-unsent.ts";

/** The shop's own page: its people, its devices and what waits in browsers. */
export async function readShop(desk: Desk) {
  const { models, transaction, shopId } = desk;
  const shop = await models.Shop.findByPk(shopId, { transaction });
  if (!shop) throw notFound("This shop");
  const people = await models.Person.findAll({ order: [["isActive", "DESC"], "name"], transaction });
  const devices = await models.Device.findAll({ order: ["createdAt"], transaction });
  return {
    name: shop.name,
    slug: shop.slug,
    units: shop.units,
    timeZone: shop.timeZone,
    currency: shop.currency,
    rules: shop.followUpRules ?? [...USUAL_RULES],
    altitudeM: shop.altitudeM,
    coldestC: shop.coldestC,
    hours: shop.hours ?? USUAL_HOURS,
    adapter: shop.adapter,
    hasCalendar: shop.calendarHash !== null,
    people: people.map(({ id, name, role, isActive }) => ({ id, name, role, isActive })),
    devices: devices.map(({ id, name, createdAt }) => ({ id, name, createdAt: createdAt.toISOString() })),
    unsent: await listUnsent(desk),
    backup: await lastBackup(desk),
    verified: await lastVerified(desk),
  };
}

/** Metric or US, for everybody of the shop. */
export async function changeUnits(
  { models, transaction, shopId, personId, now }: Desk,
  units: "metric" | "us",
): Promise<void> {
  await models.Shop.update({ units }, { where: { id: shopId }, transaction });
  await models.Audit.create(
    { shopId, personId, what: "units changed", at: now, about: { units } },
    { transaction },
  );
}

/** What the shop's money is, by ISO 4217. */
export async function changeCurrency(
  { models, transaction, shopId, personId, now }: Desk,
  currency: string,
): Promise<void> {
  await models.Shop.update({ currency }, { where: { id: shopId }, transaction });
  await models.Audit.create(
    { shopId, personId, what: "currency changed", at: now, about: { currency } },
    { transaction },
  );
}

/** Where the shop lies and how cold it gets there: what a mix has to stand, and where it boils. */
export async function changePlace(
  { models, transaction, shopId, personId, now }: Desk,
  place: { altitudeM: number | null; coldestC: number | null },
): Promise<void> {
  await models.Shop.update(place, { where: { id: shopId }, transaction });
  await models.Audit.create(
    { shopId, personId, what: "place changed", at: now, about: place },
    { transaction },
  );
}

/** When the shop is open, its breaks and its lifts: what its day is laid by. */
export async function changeHours(
  { models, transaction, shopId, personId, now }: Desk,
  hours: ShopHours,
): Promise<void> {
  await models.Shop.update({ hours }, { where: { id: shopId }, transaction });
  await models.Audit.create(
    { shopId, personId, what: "hours changed", at: now, about: { hours } },
    { transaction },
  );
}
