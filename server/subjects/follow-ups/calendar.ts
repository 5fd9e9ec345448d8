import ical, { ICalAlarmType } from "ical-generator";
import { format, type System } from "../../../core/kernel/units/index.ts";
import { atDesk, type Database, type Desk } from "../../database/connection.ts";
import { hashToken, newToken, shopOfToken } from "../people/secrets.ts";
import { type PromiseDue, readPromises } from "./read-promises.ts";

/** A calendar shows what is due within a year. */
const DAYS_AHEAD = 366;
const MORNING_S = 8 * 3600;

/**
 * A new secret for the calendar's address; the one before opens nothing any more. It is told once and kept as its hash.
 */
export async function newCalendarAddress(desk: Desk): Promise<string> {
  const { models, transaction, shopId, personId, now } = desk;
  const token = newToken(shopId);
  await models.Shop.update({ calendarHash: hashToken(token) }, { where: { id: shopId }, transaction });
  await models.Audit.create({ shopId, personId, what: "calendar address changed", at: now }, { transaction });
  return token;
}

const titleOf = ({ plate, what }: PromiseDue) => `${plate}: ${what}`;

/** Second looks as an iCalendar file: one whole-day event each, under an id that stays when it is moved. */
export function writeCalendar(
  promises: readonly PromiseDue[],
  { shopName, host, now, system }: { shopName: string; host: string; now: Date; system: System },
): string {
  const calendar = ical({
    name: `Second looks, ${shopName}`,
    prodId: { company: "Warm Ledger", product: "second looks", language: "EN" },
    ttl: 3600,
  });
  for (const promise of promises) {
    if (!promise.on) continue;
    const event = calendar.createEvent({
      // Keys that were kept before they had to be plain may hold anything.
      id: `${promise.jobId}.${encodeURIComponent(promise.key)}@warm-ledger`,
      stamp: now,
      start: new Date(`${promise.on}T00:00:00Z`),
      end: new Date(Date.parse(`${promise.on}T00:00:00Z`) + 86_400_000),
      allDay: true,
      summary: titleOf(promise),
      description: [
        promise.name,
        `Job ${promise.number}.`,
        promise.byKm === null ? "" : `Or at ${format(promise.byKm, "distance", system)}, whichever is first.`,
      ]
        .filter(Boolean)
        .join(" "),
      url: `${host}/jobs/${promise.jobId}/sign`,
    });
    event.createAlarm({ type: ICalAlarmType.display, triggerAfter: MORNING_S });
  }
  return calendar.toString();
}

/** The calendar that a secret address opens; nothing where the secret is nobody's, or was changed. */
export async function findCalendar(
  database: Database,
  token: string | undefined,
  host: string,
  now = new Date(),
): Promise<string | undefined> {
  const shopId = shopOfToken(token);
  if (!shopId || !token) return undefined;
  return atDesk(database, { shopId, now }, async (desk) => {
    const shop = await desk.models.Shop.findByPk(shopId, { transaction: desk.transaction });
    if (!shop || shop.calendarHash !== hashToken(token)) return undefined;
    return writeCalendar(await readPromises(desk, { days: DAYS_AHEAD }), {
      shopName: shop.name,
      host,
      now,
      system: shop.units,
    });
  });
}
