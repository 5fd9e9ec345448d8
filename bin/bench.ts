// Every figure this project holds itself to, measured now: npm run bench [-- name]
import { benchDiagnosis } from "./bench/diagnosis.ts";
import { benchFillAndWatch } from "./bench/fill-and-watch.ts";
import { benchFindTap } from "./bench/find-tap.ts";
import { benchFirstScreen } from "./bench/first-screen.ts";
import { benchHistory } from "./bench/history.ts";
import { benchJobPage } from "./bench/job-page.ts";
import { benchJudgedLogs } from "./bench/judged-logs.ts";
import { benchLogs } from "./bench/logs.ts";
import { benchLongBook } from "./bench/long-book.ts";
import type { Figure } from "./bench/measure.ts";
import { benchPlanToBuild } from "./bench/plan-to-build.ts";
import { benchReports } from "./bench/reports.ts";
import { benchSlowHands } from "./bench/slow-hands.ts";
import { benchSourcing } from "./bench/sourcing.ts";

const BENCHES: Record<string, () => Promise<Figure[]>> = {
  logs: benchLogs,
  "judged-logs": benchJudgedLogs,
  "job-page": benchJobPage,
  "first-screen": benchFirstScreen,
  "long-book": benchLongBook,
  history: benchHistory,
  diagnosis: benchDiagnosis,
  "find-tap": benchFindTap,
  "slow-hands": benchSlowHands,
  sourcing: benchSourcing,
  "plan-to-build": benchPlanToBuild,
  "fill-and-watch": benchFillAndWatch,
  reports: benchReports,
};

const asked = process.argv.slice(2);
const unknown = asked.find((name) => !BENCHES[name]);
if (unknown) {
  process.stderr.write(`“${unknown}” is no bench. There are: ${Object.keys(BENCHES).join(", ")}.\n`);
  process.exit(1);
}

let missed = 0;
for (const [name, bench] of Object.entries(BENCHES)) {
  if (asked.length > 0 && !asked.includes(name)) continue;
  for (const figure of await bench()) {
    const { measured, wanted, atLeast, unit, from } = figure;
    const isMet = atLeast ? measured >= wanted : measured < wanted;
    if (!isMet) missed++;
    const value = `${Number(measured.toPrecision(3))} ${unit}`.trim();
    process.stdout.write(
      `${isMet ? "met   " : "MISSED"}  ${figure.name}: ${value} (wanted ${atLeast ? "at least" : "under"} ${wanted} ${unit})${from ? `; ${from}` : ""}\n`,
    );
  }
}
if (missed > 0) process.exitCode = 1;
