import { createHash } from "node:crypto";
import { QueryTypes } from "sequelize";
import { dayInZone } from "../../../core/kernel/days/index.ts";
import {
  type Away,
  type DayShop,
  type DayWork,
  type Hold,
  type LaidDay,
  type Piece,
  type ShopHours,
  USUAL_HOURS,
} from "../../../core/stages/day/index.ts";
import type { Desk } from "../../database/connection.ts";
import { type Role, reaches } from "../../desk/roles.ts";
import { readPromises } from "../../subjects/follow-ups/read-promises.ts";
import { listToday, type Slip } from "../jobs/list-today.ts";

/** Second looks of the week to come stand behind those that are due. */
const DAYS_AHEAD = 7;
/** A second look is a short thing: the level, and under it. */
const LOOK_MINUTES = 10;
const LIFT = /\blift (\d{1,2})\b/i;
/** Forecasts that move by less than that lay no other day, minutes. */
const COARSE = 10;

export interface AwayRow extends Away {
  id: string;
}

export interface HoldRow extends Hold {
  heldBy: string;
  heldAt: string;
}

/** All that a day is laid from, and the day as it was laid last. */
export interface DayRead {
  shop: Omit<DayShop, "away" | "holds"> & { away: AwayRow[]; holds: HoldRow[] };
  works: DayWork[];
  names: Record<string, string>;
  slips: Slip[];
  looks: Awaited<ReturnType<typeof readPromises>>;
  stored: { laidFrom: string; plan: LaidDay } | undefined;
  /** What the day is laid from, but for the time: where that is the same, so is the day. */
  laidFrom: string;
}

const lookPiece = (what: string): Piece => ({
  id: "look",
  stage: "prove",
  what: `Second look: ${what}`,
  minutes: LOOK_MINUTES,
  people: 1,
  after: [],
});

function worksOf(slips: readonly Slip[], looks: DayRead["looks"], today: string): DayWork[] {
  const open = slips.map(({ id, bay, promisedAt, pieces }): DayWork => {
    const lift = Number(LIFT.exec(bay)?.[1]);
    return { id, pieces, ...(lift > 0 && { lift }), ...(promisedAt !== null && { promisedAt }) };
  });
  // A car comes on the day that was said; one that hasn't come isn't looked at today.
  const due = looks.filter(({ on }) => on === today);
  return [
    ...open,
    ...due.map(({ jobId, key, what }): DayWork => ({ id: `${jobId} ${key}`, pieces: [lookPiece(what)] })),
  ];
}

const coarse = (iso: string) => Math.floor(Date.parse(iso) / (COARSE * 60_000));

/** What a day is laid from, so that the same is known again; a clock that runs down by itself changes nothing. */
function printOf(works: readonly DayWork[], { now: _, ...shop }: DayShop): string {
  const print = {
    shop,
    works: works.map(({ pieces, ...work }) => ({
      ...work,
      pieces: pieces.map(({ minutes, notBefore, since, ...piece }) => ({
        ...piece,
        since,
        minutes: since ? 0 : minutes,
        notBefore: notBefore && coarse(notBefore.at),
      })),
    })),
  };
  return createHash("sha256").update(JSON.stringify(print)).digest("hex");
}

/** Everything that the day of a shop is laid from: its open jobs, its hours, who is here, what is held. */
export async function readDay(desk: Desk): Promise<DayRead> {
  const { models, transaction, sequelize, shopId, now } = desk;
  const ask = <Row extends object>(sql: string, bind: unknown[] = []) =>
    sequelize.query<Row>(sql, { bind, type: QueryTypes.SELECT, transaction });
  const shop = await models.Shop.findByPk(shopId, { transaction, rejectOnEmpty: true });
  const slips = await listToday(desk);
  const looks = await readPromises(desk, { days: DAYS_AHEAD });
  const everybody = await models.Person.findAll({
    attributes: ["id", "name", "role", "isActive"],
    order: ["name", "id"],
    transaction,
  });
  const away = await ask<{
    id: string;
    personId: string | null;
    lift: number | null;
    from: Date;
    until: Date;
  }>(
    `SELECT id, person_id AS "personId", lift, from_at AS "from", until_at AS "until" FROM away
      WHERE until_at > $1 AND from_at < $1::timestamptz + interval '8 days' ORDER BY from_at, id LIMIT 200`,
    [now],
  );
  const holds = await ask<{
    jobId: string;
    piece: string;
    personId: string | null;
    at: Date | null;
    heldBy: string;
    heldAt: Date;
  }>(
    `SELECT job_id AS "jobId", piece, person_id AS "personId", at, held_by AS "heldBy", held_at AS "heldAt" FROM day_holds
      WHERE job_id = ANY($1::uuid[]) ORDER BY job_id, piece LIMIT 2000`,
    [slips.map(({ id }) => id)],
  );
  const [stored] = await ask<{ laidFrom: string; plan: LaidDay }>(
    `SELECT laid_from AS "laidFrom", plan FROM day_plans ORDER BY day DESC LIMIT 1`,
  );
  const hours: ShopHours = shop.hours ?? USUAL_HOURS;
  const dayShop = {
    now: now.toISOString(),
    timeZone: shop.timeZone,
    hours,
    people: everybody
      .filter(({ role, isActive }) => isActive && reaches(role as Role, "technician"))
      .map(({ id }) => id),
    away: away.map(({ id, personId, lift, from, until }) => ({
      id,
      ...(personId !== null && { personId }),
      ...(lift !== null && { lift }),
      from: from.toISOString(),
      until: until.toISOString(),
    })),
    holds: holds.map(({ personId, at, heldAt, ...hold }) => ({
      ...hold,
      heldAt: heldAt.toISOString(),
      ...(personId !== null && { personId }),
      ...(at !== null && { at: at.toISOString() }),
    })),
  };
  const today = dayInZone(now, shop.timeZone);
  const works = worksOf(slips, looks, today);
  return {
    shop: dayShop,
    works,
    slips,
    looks,
    names: Object.fromEntries(everybody.map(({ id, name }) => [id, name])),
    stored,
    laidFrom: printOf(works, dayShop),
  };
}
