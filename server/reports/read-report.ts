import { lastFact, WarmUpLog } from "../../core/book/facts/index.ts";
import type { System } from "../../core/kernel/units/index.ts";
import { type JobReport, reportOf } from "../../core/report/index.ts";
import { traceSpecOf } from "../../core/trade/car/index.ts";
import type { TraceSpec } from "../../core/trade/trace/index.ts";
import { readJob } from "../books/jobs/read-job.ts";
import type { Desk } from "../database/connection.ts";

export interface ReadReport {
  report: JobReport;
  shopName: string;
  vehicleId: string;
  system: System;
  now: string;
  log?: { id: string; name: string; spec: TraceSpec };
}

const writer = (timeZone: string) => {
  const format = new Intl.DateTimeFormat("en-GB", {
    day: "numeric",
    month: "short",
    year: "numeric",
    timeZone,
  });
  return (iso: string) => format.format(new Date(iso));
};

/** A job's report in the shop's own units and days, and which of its logs goes with it. */
export async function readReport(desk: Desk, jobId: string): Promise<ReadReport> {
  const { job, vehicle, card, names, entries } = await readJob(desk, jobId);
  const shop = await desk.models.Shop.findByPk(desk.shopId, {
    transaction: desk.transaction,
    rejectOnEmpty: true,
  });
  const row = await desk.models.Job.findOne({
    attributes: ["lastHash"],
    where: { id: jobId },
    transaction: desk.transaction,
  });
  const dateOf = writer(shop.timeZone);
  const last = lastFact(entries, WarmUpLog)?.fact;
  return {
    report: reportOf({
      entries,
      job,
      vehicle,
      card,
      names,
      system: shop.units,
      dateOf,
      ...(job.from && { from: job.from }),
      ...(row?.lastHash && { lastHash: row.lastHash.toString("hex") }),
      ...(shop.altitudeM === null ? {} : { altitudeM: shop.altitudeM }),
    }),
    shopName: shop.name,
    vehicleId: vehicle.id,
    system: shop.units,
    now: dateOf(desk.now.toISOString()),
    ...(last && card
      ? {
          log: {
            id: last.logId,
            name: last.log,
            spec: traceSpecOf(card, last.restedH),
          },
        }
      : {}),
  };
}

/** The log that goes with a report, as it is kept; nothing where the job file it came with had none. */
export async function readReportLog(desk: Desk, logId: string): Promise<Uint8Array | undefined> {
  const log = await desk.models.Log.findOne({ where: { id: logId }, transaction: desk.transaction });
  return log ? new Uint8Array(log.content) : undefined;
}
