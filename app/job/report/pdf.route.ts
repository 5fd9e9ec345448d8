import { printReport } from "../../../server/reports/print-report.ts";
import { readReport, readReportLog } from "../../../server/reports/read-report.ts";
import { guarded } from "../../desk/guard.server.ts";

/** The report on paper, as PDF. */
export const loader = guarded("desk", async ({ params, origin, desk }) => {
  const { report, log, shopName, vehicleId, system, now } = await desk((given) =>
    readReport(given, params.jobId ?? ""),
  );
  const content = log && (await desk((given) => readReportLog(given, log.id)));
  const pdf = await printReport({
    report,
    shopName,
    system,
    printed: now,
    vehicleAddress: `${origin}/vehicles/${vehicleId}`,
    ...(log && content ? { log: { name: log.name, spec: log.spec, content } } : {}),
  });
  const name = report.title.replace(/[^\w-]+/g, "-").toLowerCase();
  return new Response(new Uint8Array(pdf), {
    headers: {
      "Content-Type": "application/pdf",
      "Content-Disposition": `attachment; filename="${name}.pdf"`,
      "Cache-Control": "no-store",
    },
  });
});
