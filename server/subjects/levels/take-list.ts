import { randomUUID } from "node:crypto";
import type { ListTrouble } from "../../../core/kernel/csv/index.ts";
import { format, type System } from "../../../core/kernel/units/index.ts";
import { type DistanceRead, distanceTrouble } from "../../../core/trade/car/index.ts";
import type { ListedLevel } from "../../../core/trade/leaks/index.ts";
import type { Desk } from "../../database/connection.ts";
import { isId } from "../../desk/is-id.ts";
import { notFound } from "../../desk/refusal.ts";
import { knownDistances } from "../distances/known-distances.ts";
import { MOST_LEVELS } from "./take-level.ts";

const saysTheSame = ({ at, missingL, toppedUpL }: { at: string; missingL: number; toppedUpL: number }) =>
  `${at}|${missingL.toFixed(3)}|${toppedUpL.toFixed(3)}`;

/** The lines of a list at which a car's distance falls, in the list or beside what is known; of two, the one that comes after. */
function fallenIn(
  listed: readonly ListedLevel[],
  known: readonly DistanceRead[],
  system: System,
): ListTrouble[] {
  const readings: (DistanceRead & { line?: number })[] = [
    ...known,
    ...listed.flatMap(({ at, distanceKm, line }) =>
      distanceKm === null ? [] : [{ km: distanceKm, ms: Date.parse(at), line }],
    ),
  ].sort((a, b) => a.ms - b.ms);
  const troubles: ListTrouble[] = [];
  for (const [place, read] of readings.entries()) {
    const before = readings[place - 1];
    const trouble = before && distanceTrouble(read, [before], system);
    const line = read.line ?? before?.line;
    if (trouble && line !== undefined)
      troubles.push({
        line,
        column: "distance",
        words: `${format(read.km, "distance", system)} comes after ${format(trouble.against.km, "distance", system)}: one of the two was misread.`,
      });
  }
  return troubles;
}

/**
 * Writes a whole list of levels down, or nothing of it: what is there already is there once, and a distance that falls from
 * one day to a later one, in the list or against the book, is refused with its line.
 */
export async function takeLevelList(
  desk: Desk,
  vehicleId: string,
  listed: readonly ListedLevel[],
  system: System,
): Promise<{ added: number; known: number } | { troubles: ListTrouble[] }> {
  const { models, transaction, shopId, personId } = desk;
  const vehicle = isId(vehicleId)
    ? await models.Vehicle.findOne({ where: { id: vehicleId }, transaction, lock: true })
    : null;
  if (!vehicle || !personId) throw notFound("That vehicle");
  const all = await models.LevelRow.findAll({ where: { vehicleId }, transaction });
  const standing = all.filter(({ struckAt }) => struckAt === null);
  // What was struck is known too: the list that it came with brings nothing back.
  const seen = new Set(all.map((row) => saysTheSame({ ...row.get(), at: row.at.toISOString() })));
  const fresh = listed.filter((level) => {
    const key = saysTheSame(level);
    const isNew = !seen.has(key);
    seen.add(key);
    return isNew;
  });
  if (standing.length + fresh.length > MOST_LEVELS)
    return {
      troubles: [{ line: 1, words: `${MOST_LEVELS} levels of one vehicle are written down at most.` }],
    };
  const known = await knownDistances(desk, vehicleId, standing);
  const troubles = fallenIn(fresh, known, system);
  if (troubles.length > 0) return { troubles };
  await models.LevelRow.bulkCreate(
    fresh.map(({ line: _, takenBy, ...level }) => ({
      ...level,
      id: randomUUID(),
      shopId,
      vehicleId,
      takenBy: personId,
      listed: true,
      listedBy: takenBy,
    })),
    { transaction, returning: false },
  );
  return { added: fresh.length, known: listed.length - fresh.length };
}
