import type { System } from "../../../core/kernel/units/index.ts";
import { distanceTrouble } from "../../../core/trade/car/index.ts";
import { EARLIEST_LEVEL_MS } from "../../../core/trade/leaks/index.ts";
import type { Desk } from "../../database/connection.ts";
import { isId } from "../../desk/is-id.ts";
import { notFound, Refusal } from "../../desk/refusal.ts";
import { knownDistances } from "../distances/known-distances.ts";

export interface TakenLevel {
  id: string;
  missingL: number;
  toppedUpL: number;
  distanceKm: number | null;
  heat: "cold" | "hot";
  /** How far the minimum mark lies below the line; null where nobody says so now. */
  minimumL: number | null;
  /** How far below the line it stood in the tank, mm; null where litres were said. */
  belowMm?: number | null;
  /** How far a litre lifts this tank, mm; null where nobody says so now. */
  liftsMm?: number | null;
  /** When it was looked at; now where nobody says. */
  at?: Date;
  /** Whom the shop told what it means; null where nobody says. */
  told?: string | null;
}

export const MOST_LEVELS = 5000;

/**
 * Writes down a level, once however often it is sent. A distance that has fallen is refused: one of
 * the two was misread.
 */
export async function takeLevel(
  desk: Desk,
  vehicleId: string,
  level: TakenLevel,
  system: System,
): Promise<void> {
  const { models, transaction, shopId, personId, now } = desk;
  const vehicle = isId(vehicleId)
    ? await models.Vehicle.findOne({ where: { id: vehicleId }, transaction, lock: true })
    : null;
  if (!vehicle || !personId) throw notFound("That vehicle");
  const { minimumL, liftsMm = null, at = now, ...taken } = level;
  if (at.getTime() < EARLIEST_LEVEL_MS) throw new Refusal({ message: "", fields: { on: "From 1990 on." } });
  if (at > now) throw new Refusal({ message: "", fields: { on: "That day lies ahead." } });
  if (await models.LevelRow.findOne({ where: { id: level.id }, transaction })) return;
  const standing = { where: { vehicleId, struckAt: null }, transaction };
  if ((await models.LevelRow.count(standing)) >= MOST_LEVELS)
    throw new Refusal({
      message: `${MOST_LEVELS} levels of one vehicle are written down; strike some first.`,
    });
  if (taken.distanceKm !== null) {
    const levels = await models.LevelRow.findAll({
      ...standing,
      attributes: ["at", "distanceKm", "struckAt"],
    });
    const came = vehicle.distanceKm === null ? [] : [{ km: vehicle.distanceKm, ms: 0 }];
    const known = [...came, ...(await knownDistances(desk, vehicleId, levels))];
    const trouble = distanceTrouble({ km: taken.distanceKm, ms: at.getTime() }, known, system);
    if (trouble)
      throw new Refusal({
        message: "",
        fields: { distance: `${trouble.words} Read it again, or leave it open.` },
      });
  }
  await models.LevelRow.create({ ...taken, shopId, vehicleId, at, takenBy: personId }, { transaction });
  if (minimumL !== null && minimumL !== vehicle.minimumL) await vehicle.update({ minimumL }, { transaction });
  if (liftsMm !== null && liftsMm !== vehicle.tankLiftsMm)
    await vehicle.update({ tankLiftsMm: liftsMm }, { transaction });
}

/** Strikes a level that was wrong: it stays readable and counts no longer. Struck twice is struck. */
export async function strikeLevel(desk: Desk, vehicleId: string, id: string): Promise<void> {
  const { models, transaction, personId, now } = desk;
  const row = isId(id) ? await models.LevelRow.findOne({ where: { id, vehicleId }, transaction }) : null;
  if (!row || !personId) throw notFound("That level");
  if (!row.struckAt) await row.update({ struckAt: now, struckBy: personId }, { transaction });
}
