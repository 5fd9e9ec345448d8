import { standing } from "../../../core/book/entry/index.ts";
import { stageStates, waitOf } from "../../../core/stages/overview/index.ts";
import { bledVehicle, complaintOf, findingOf, openItems } from "../../../core/state/index.ts";
import type { Desk } from "../../database/connection.ts";
import type { JobOrigin } from "../../database/models/job.ts";
import { readBooks } from "../../entries/read-books.ts";
import { shortFrom } from "../../entries/where-from.ts";
import { readPromises } from "../../subjects/follow-ups/read-promises.ts";

interface Row {
  id: string;
  number: number;
  bay: string;
  openedAt: Date;
  plate: string;
  vehicle: string;
  assignedTo: string | null;
  origin: JobOrigin | null;
}

/** What its card says of how it is filled and bled, and how high the shop lies; nulls where nobody has said. */
interface HowBled {
  fillPoint: string | null;
  bleedPoints: string | null;
  fanOnC: number[] | null;
  targetFraction: number | null;
  capacityL: number | null;
  coolantKind: string | null;
  coolantProduct: string | null;
  altitudeM: number | null;
}

function cardOf({
  fillPoint,
  bleedPoints,
  fanOnC,
  targetFraction,
  capacityL,
  coolantKind,
  coolantProduct,
}: HowBled) {
  return fillPoint === null ||
    bleedPoints === null ||
    fanOnC === null ||
    targetFraction === null ||
    capacityL === null
    ? null
    : {
        fillPoint,
        bleedPoints,
        fanOnC,
        targetFraction,
        capacityL,
        coolantKind: coolantKind ?? "",
        coolantProduct: coolantProduct ?? "",
      };
}

/** Every open job as a slip: where it stands, what it waits for, how much is open. Two queries. */
export async function listToday(desk: Desk) {
  const [rows] = await desk.sequelize.query(
    `SELECT j.id, j.number, j.bay, j.opened_at AS "openedAt", v.plate, v.name AS vehicle, j.origin, p.name AS "assignedTo",
            c.fill_point AS "fillPoint", c.bleed_points AS "bleedPoints", c.fan_on_c AS "fanOnC",
            c.target_fraction AS "targetFraction", c.capacity_l AS "capacityL", c.coolant_kind AS "coolantKind",
            c.coolant_product AS "coolantProduct", s.altitude_m AS "altitudeM"
       FROM jobs j JOIN vehicles v ON v.shop_id = j.shop_id AND v.id = j.vehicle_id
       JOIN shops s ON s.id = j.shop_id
       LEFT JOIN cooling_cards c ON c.shop_id = j.shop_id AND c.vehicle_id = j.vehicle_id
       LEFT JOIN people p ON p.shop_id = j.shop_id AND p.id = j.assigned_to
      WHERE j.signed_at IS NULL ORDER BY j.opened_at`,
    { transaction: desk.transaction },
  );
  const jobs = rows as (Row & HowBled)[];
  const books = await readBooks(
    desk,
    jobs.map((job) => job.id),
  );
  return jobs.map((row) => {
    const { id, number, bay, plate, assignedTo } = row;
    const entries = books.get(row.id) ?? [];
    const vehicle = bledVehicle(entries, cardOf(row), row.altitudeM);
    const openedAt = row.openedAt.toISOString();
    return {
      id,
      number,
      bay,
      plate,
      vehicle: row.vehicle,
      assignedTo,
      from: shortFrom(row.origin),
      openedAt,
      stage: standing(entries).at(-1)?.stage ?? ("ask" as const),
      stages: stageStates(entries, false),
      open: openItems(entries).length,
      wait: waitOf(entries, openedAt, vehicle, desk.now.toISOString()),
      complaint: complaintOf(entries) ?? null,
      finding: findingOf(entries)?.words ?? null,
      lastAt: entries.at(-1)?.at ?? openedAt,
    };
  });
}

export type Slip = Awaited<ReturnType<typeof listToday>>[number];

/** Second looks of the week to come stand behind those that are due. */
const DAYS_AHEAD = 7;

/** All that Today shows: the jobs in hand, and what is due for a second look. */
export const readToday = async (desk: Desk) => ({
  slips: await listToday(desk),
  looks: await readPromises(desk, { days: DAYS_AHEAD }),
});
