import { type Entry, standing } from "../../../core/book/entry/index.ts";
import { lastFact, ReadyPromised } from "../../../core/book/facts/index.ts";
import { MOST_GAP_MS, workLeft } from "../../../core/stages/day/index.ts";
import { stageStates, waitOf } from "../../../core/stages/overview/index.ts";
import { bledVehicle, complaintOf, findingOf, jobState, openItems } from "../../../core/state/index.ts";
import type { Desk } from "../../database/connection.ts";
import type { JobOrigin } from "../../database/models/job.ts";
import { readBooks } from "../../entries/read-books.ts";
import { shortFrom } from "../../entries/where-from.ts";

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

const HERE_MS = 24 * 3_600_000;

/** Who was at a job when, by their lines of the last day: stretches of one person at one stage. */
function doneOf(entries: readonly Entry[], nowMs: number): DoneToday[] {
  const done: DoneToday[] = [];
  for (const { by, stage, at } of standing(entries)) {
    if (nowMs - Date.parse(at) > HERE_MS) continue;
    const last = done.at(-1);
    const isOn = last !== undefined && Date.parse(at) - Date.parse(last.until) <= MOST_GAP_MS;
    if (isOn && last.by === by && last.stage === stage) last.until = at;
    else done.push({ by, stage, from: at, until: at });
  }
  return done;
}

/** A stretch of lines that one person wrote at one stage, ISO 8601. */
export interface DoneToday {
  by: string;
  stage: Entry["stage"];
  from: string;
  until: string;
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
    const card = cardOf(row);
    const vehicle = bledVehicle(entries, card, row.altitudeM);
    const now = desk.now.toISOString();
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
      wait: waitOf(entries, openedAt, vehicle, now),
      complaint: complaintOf(entries) ?? null,
      finding: findingOf(entries)?.words ?? null,
      lastAt: entries.at(-1)?.at ?? openedAt,
      promisedAt: lastFact(entries, ReadyPromised)?.fact.at ?? null,
      pieces: workLeft(jobState(entries, card, now), card, now, {
        ...(row.altitudeM !== null && { altitudeM: row.altitudeM }),
      }),
      done: doneOf(entries, desk.now.getTime()),
    };
  });
}

export type Slip = Awaited<ReturnType<typeof listToday>>[number];
