import { Op } from "sequelize";
import { type Advice, countedLevels, reaches } from "../../../core/trade/leaks/index.ts";
import type { Desk } from "../../database/connection.ts";
import { type LevelsOf, readLevels } from "./read-levels.ts";

export interface Watched {
  vehicleId: string;
  plate: string;
  name: string;
  of: LevelsOf;
}

/** Sound ones are many; those looked at last are shown. */
const MOST_SOUND = 100;
const AT_A_TIME = 100;
const URGENCY: readonly Advice[] = ["don't drive", "top up and watch", "drive"];

interface Ranked {
  watched: Watched;
  isSound: boolean;
  soonest: string;
}

/** Vehicles whose level somebody takes, the one looked at last first. */
async function lookedAt({ sequelize, transaction }: Desk): Promise<string[]> {
  const [rows] = (await sequelize.query(
    `SELECT vehicle_id AS "vehicleId" FROM levels WHERE struck_at IS NULL GROUP BY vehicle_id ORDER BY max(at) DESC`,
    { transaction },
  )) as [{ vehicleId: string }[], unknown];
  return rows.map(({ vehicleId }) => vehicleId);
}

async function ranked(desk: Desk, ids: readonly string[]): Promise<Ranked[]> {
  const all = await readLevels(desk, ids);
  const vehicles = await desk.models.Vehicle.findAll({
    where: { id: { [Op.in]: [...ids] } },
    attributes: ["id", "plate", "name"],
    raw: true,
    transaction: desk.transaction,
  });
  const byId = new Map(vehicles.map((vehicle) => [vehicle.id, vehicle]));
  return ids.flatMap((id) => {
    const [vehicle, of] = [byId.get(id), all.get(id)];
    const counted = of ? countedLevels(of.levels) : [];
    if (!vehicle || !of || counted.length === 0) return [];
    const { plate, name } = vehicle;
    const { earliest = "9999", advice } = reaches(counted, of.minimumL, { now: desk.now.toISOString() });
    // Of a sound one the earliest day is that of a leak nobody has seen: it stands behind those that do lose.
    const soonest = `${URGENCY.indexOf(advice)} ${earliest}`;
    return [{ watched: { vehicleId: id, plate, name, of }, isSound: advice === "drive", soonest }];
  });
}

/**
 * Every vehicle that loses, whenever it was looked at, the one that meets its minimum soonest first; behind them those sound ones that were looked
 * at last.
 */
export async function readWatch(desk: Desk): Promise<Watched[]> {
  const ids = await lookedAt(desk);
  const kept: Ranked[] = [];
  let sound = 0;
  for (let from = 0; from < ids.length; from += AT_A_TIME)
    for (const each of await ranked(desk, ids.slice(from, from + AT_A_TIME))) {
      if (each.isSound && sound++ >= MOST_SOUND) continue;
      kept.push(each);
    }
  return kept
    .sort((a, b) => (a.soonest < b.soonest ? -1 : a.soonest > b.soonest ? 1 : 0))
    .map(({ watched }) => watched);
}
