import { Op } from "sequelize";
import { changedSystem } from "../../../core/state/index.ts";
import type { SeenLevel } from "../../../core/trade/leaks/index.ts";
import { usualMinimumL } from "../../../core/trade/limits/index.ts";
import type { Desk } from "../../database/connection.ts";
import type { LevelRow } from "../../database/models/level-row.ts";
import type { Vehicle } from "../../database/models/vehicle.ts";
import { isId } from "../../desk/is-id.ts";
import { readBooks } from "../../entries/read-books.ts";

export interface LevelTaken extends SeenLevel {
  id: string;
  by: string;
  /** Whom the shop told what it means. */
  told?: string;
  /** Who took it by the list that it came with. */
  listedBy?: string;
  /** How far below the line it stood in the tank, mm, where it was taken so. */
  belowMm?: number;
}

export interface LevelsOf {
  levels: LevelTaken[];
  minimumL: number;
  /** True where nobody measured the minimum and a usual tank is taken. */
  isMinimumUsual: boolean;
  /** How far a litre lifts its tank, mm; nothing where nobody has measured it. */
  liftsMm?: number;
}

const SHOWN = 60;

/** Who took a level; of one that came with a list, whom the list names and who read it in. */
const byWords = ({ listed, listedBy }: LevelRow, name: string) =>
  listed ? [listedBy, `by a list that ${name} read in`].filter(Boolean).join(", ") : name;

/** So many jobs of a vehicle in which coolant was written of are looked through for the last that changed its system. */
const LOOKED_THROUGH = 6;

/**
 * When a job that changed the system was last signed, by vehicle: a repaired vehicle's line starts anew there. A look, a top-up
 * or what was struck changes nothing.
 */
async function lastFills(desk: Desk, vehicleIds: readonly string[]): Promise<Map<string, Date>> {
  const [rows] = (await desk.sequelize.query(
    `SELECT id, "vehicleId", "signedAt" FROM (
       SELECT j.id, j.vehicle_id AS "vehicleId", j.signed_at AS "signedAt",
              row_number() OVER (PARTITION BY j.vehicle_id ORDER BY j.signed_at DESC) AS place
         FROM jobs j WHERE j.vehicle_id = ANY($1::uuid[]) AND j.signed_at IS NOT NULL
          AND EXISTS (SELECT 1 FROM entries e WHERE e.shop_id = j.shop_id AND e.job_id = j.id AND e.account = 'coolant')
     ) s WHERE place <= $2 ORDER BY "signedAt"`,
    { bind: [vehicleIds, LOOKED_THROUGH], transaction: desk.transaction },
  )) as [{ id: string; vehicleId: string; signedAt: Date }[], unknown];
  const books = await readBooks(
    desk,
    rows.map(({ id }) => id),
    { account: "coolant" },
  );
  return new Map(
    rows
      .filter(({ id }) => changedSystem(books.get(id) ?? []))
      .map(({ vehicleId, signedAt }) => [vehicleId, new Date(signedAt)]),
  );
}

async function namesOf({ models, transaction }: Desk): Promise<ReadonlyMap<string, string>> {
  const people = await models.Person.findAll({ attributes: ["id", "name"], raw: true, transaction });
  return new Map(people.map(({ id, name }) => [id, name]));
}

/** The latest levels of these vehicles, so many of each, with their minimum, the latest last; struck ones and those of an earlier line among them. */
export async function readLevels(
  desk: Desk,
  vehicleIds: readonly string[],
  most = SHOWN,
  /** What whoever asks has read already. */
  known?: { vehicles: readonly Vehicle[]; nameOf: ReadonlyMap<string, string> },
): Promise<Map<string, LevelsOf>> {
  const { models, transaction } = desk;
  const ids = [...vehicleIds];
  const vehicles =
    known?.vehicles ??
    (await models.Vehicle.findAll({
      where: { id: { [Op.in]: ids } },
      include: { model: models.CoolingCard, as: "card", attributes: ["capacityL"] },
      attributes: ["id", "minimumL", "tankLiftsMm"],
      transaction,
    }));
  const rows = await models.LevelRow.findAll({
    where: {
      id: {
        [Op.in]: desk.sequelize.literal(
          `(SELECT id FROM (SELECT id, row_number() OVER (PARTITION BY vehicle_id ORDER BY at DESC) AS place
              FROM levels WHERE vehicle_id = ANY(ARRAY[:ids]::uuid[])) l WHERE place <= :most)`,
        ),
      },
    },
    replacements: { ids, most },
    order: [["at", "ASC"]],
    raw: true,
    transaction,
  });
  const nameOf = known?.nameOf ?? (await namesOf(desk));
  const fills = rows.length > 0 ? await lastFills(desk, ids) : new Map<string, Date>();
  return new Map(
    vehicles.map(({ id, minimumL, tankLiftsMm, card }) => {
      const filledAt = fills.get(id);
      const usual = usualMinimumL(card?.capacityL ?? 0);
      const levels = rows
        .filter((row) => row.vehicleId === id)
        .map((row) => ({
          id: row.id,
          at: row.at.toISOString(),
          missingL: row.missingL,
          toppedUpL: row.toppedUpL,
          ...(row.distanceKm !== null && { distanceKm: row.distanceKm }),
          heat: row.heat,
          ...(row.told !== null && { told: row.told }),
          ...(row.belowMm !== null && { belowMm: row.belowMm }),
          ...(row.listedBy !== null && { listedBy: row.listedBy }),
          by: byWords(row, nameOf.get(row.takenBy) ?? ""),
          isStruck: row.struckAt !== null,
          isBefore: filledAt !== undefined && row.at < filledAt,
        }));
      return [
        id,
        {
          levels,
          minimumL: minimumL ?? usual,
          isMinimumUsual: minimumL === null,
          ...(tankLiftsMm !== null && { liftsMm: tankLiftsMm }),
        },
      ] as const;
    }),
  );
}

/** How far a litre lifts a vehicle's tank, mm; nothing where nobody has measured it. */
export async function readLift(
  { models, transaction }: Desk,
  vehicleId: string,
): Promise<number | undefined> {
  const vehicle = isId(vehicleId)
    ? await models.Vehicle.findOne({ where: { id: vehicleId }, attributes: ["tankLiftsMm"], transaction })
    : null;
  return vehicle?.tankLiftsMm ?? undefined;
}
