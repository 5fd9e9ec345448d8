import { randomUUID } from "node:crypto";
import type { ListedLevel } from "../../core/leaks/index.ts";
import type { ListTrouble } from "../../core/list/index.ts";
import { format, type System } from "../../core/units/index.ts";
import type { Desk } from "../database/connection.ts";
import { notFound } from "../refusal.ts";
import { isId } from "../vehicles/is-id.ts";
import { MOST_LEVELS } from "./take-level.ts";

const saysTheSame = ({ at, missingL, toppedUpL }: { at: string; missingL: number; toppedUpL: number }) =>
  `${at}|${missingL.toFixed(3)}|${toppedUpL.toFixed(3)}`;

/**
 * Writes a whole list of levels down, or nothing of it: what is there already is there once, and a distance that falls from
 * one day to a later one, in the list or against the book, is refused with its line.
 */
export async function takeLevelList(
  { models, transaction, shopId, personId }: Desk,
  vehicleId: string,
  listed: readonly ListedLevel[],
  system: System,
): Promise<{ added: number; known: number } | { troubles: ListTrouble[] }> {
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
  const readings = [
    ...standing.map(({ at, distanceKm }) => ({ ms: at.getTime(), distanceKm, line: undefined })),
    ...fresh.map(({ at, distanceKm, line }) => ({ ms: Date.parse(at), distanceKm, line })),
  ].sort((a, b) => a.ms - b.ms);
  const troubles: ListTrouble[] = [];
  let furthest = { km: 0, line: undefined as number | undefined };
  for (const { distanceKm, line } of readings) {
    if (distanceKm === null) continue;
    if (distanceKm < furthest.km && (line ?? furthest.line) !== undefined)
      troubles.push({
        line: line ?? furthest.line ?? 1,
        column: "distance",
        words: `${format(distanceKm, "distance", system)} comes after ${format(furthest.km, "distance", system)}: one of the two was misread.`,
      });
    if (distanceKm >= furthest.km) furthest = { km: distanceKm, line };
  }
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
