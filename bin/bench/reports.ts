import { readFileSync } from "node:fs";
import { gzipSync } from "node:zlib";
import type { Entry } from "../../core/book/entry/index.ts";
import { FACTS } from "../../core/book/facts/index.ts";
import { reportOf } from "../../core/report/index.ts";
import { printReport } from "../../server/reports/print-report.ts";
import { type Figure, medianMs } from "./measure.ts";

const LINES = 500;
const RUNS = 7;

/** A report of a long book with a curve, from its lines to its PDF. */
export async function benchReports(): Promise<Figure[]> {
  const entries: Entry[] = Array.from({ length: LINES }, (_, index) => {
    const { example } = FACTS[index % FACTS.length] as (typeof FACTS)[number];
    return {
      stage: "prove",
      ...example,
      id: `e${index}`,
      jobId: "job",
      seq: index + 1,
      at: new Date(Date.UTC(2031, 2, 4, 8, index)).toISOString(),
      by: "tobin",
    };
  });
  const make = () =>
    reportOf({
      entries,
      job: { number: 93, signedAt: "2031-03-06T10:00:00Z", signedBy: "Tobin Askel", signReason: null },
      vehicle: { plate: "MRW 2417", name: "Brindle Wayfarer", vin: null, distanceKm: 184_220 },
      card: {
        capacityL: 8,
        coolantKind: "oat",
        coolantProduct: "Fellwater Red",
        coolantApproval: "",
        targetFraction: 0.5,
        capGaugeKpa: 110,
        fanOnC: [98],
      },
      names: { tobin: "Tobin Askel" },
      system: "metric",
      dateOf: (iso) => iso.slice(0, 10),
    });
  const order = {
    report: make(),
    shopName: "Lantern Hill Works",
    vehicleAddress: "https://ledger.invalid/vehicles/1",
    system: "metric" as const,
    printed: "6 Mar 2031",
    log: {
      name: "after.csv",
      content: new Uint8Array(gzipSync(readFileSync("samples/sound-one-fan.csv"))),
      spec: { thermostatOpensC: 88, fanOnC: [98], fanOffC: [93] },
    },
  };
  const from = performance.now();
  await printReport(order);
  const coldMs = performance.now() - from;
  const from500 = `${LINES} lines and a log of 2041 rows`;
  return [
    {
      name: "a report as data",
      measured: await medianMs(RUNS, make),
      unit: "ms",
      wanted: 200,
      from: from500,
    },
    {
      name: "its PDF",
      measured: await medianMs(RUNS, () => printReport(order)),
      unit: "ms",
      wanted: 2000,
      from: from500,
    },
    {
      name: "its PDF, the first of a server that nobody has warmed",
      measured: coldMs,
      unit: "ms",
      wanted: 4000,
      from: from500,
    },
  ];
}
