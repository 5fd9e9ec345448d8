import { randomUUID } from "node:crypto";
import { saidLook } from "../../../core/book/acts/index.ts";
import type { Entry } from "../../../core/book/entry/index.ts";
import { Distance, lastFact } from "../../../core/book/facts/index.ts";
import { dayInZone } from "../../../core/kernel/days/index.ts";
import { promisesOf } from "../../../core/stages/plan/index.ts";
import { workDone } from "../../../core/state/index.ts";
import { type FollowUp, followUps } from "../../../core/trade/follow-ups/index.ts";
import type { Desk } from "../../database/connection.ts";
import type { NewEntry } from "../../entries/record-entries.ts";
import { readDriving } from "./read-driving.ts";
import { readRules } from "./read-rules.ts";

/** What the shop's rules ask of a job, but for what its book has promised, moved or dropped already. */
async function stillToPromise(desk: Desk, vehicleId: string, book: readonly Entry[]): Promise<FollowUp[]> {
  const shop = await desk.models.Shop.findByPk(desk.shopId, {
    transaction: desk.transaction,
    rejectOnEmpty: true,
  });
  const said = new Set(promisesOf(book).map(({ key }) => key));
  const distanceKm = lastFact(book, Distance)?.entry.value;
  const work = {
    signedOn: dayInZone(desk.now, shop.timeZone),
    calls: workDone(book).calls,
    ...(distanceKm === undefined ? {} : { distanceKm }),
  };
  const due = followUps(work, await readRules(desk), await readDriving(desk, vehicleId));
  return due.filter(({ rule }) => !said.has(rule));
}

/** The lines that promise what the shop's rules ask of a job as it is signed. */
export async function promiseAtSigning(
  desk: Desk,
  vehicleId: string,
  book: readonly Entry[],
): Promise<NewEntry[]> {
  const due = await stillToPromise(desk, vehicleId, book);
  return due.map(({ rule: key, words: what, on, byKm }) => ({
    ...saidLook(
      { key, does: "promised", what, ...(on && { on }), ...(byKm !== undefined && { byKm }) },
      "metric",
    ),
    id: randomUUID(),
    at: desk.now.toISOString(),
    stage: "sign" as const,
  }));
}
