// Every figure this project holds itself to, measured now: npm run bench [-- name]
import { benchCrowd } from "./bench/crowd.ts";
import { benchDay } from "./bench/day.ts";
import { benchDiagnosis } from "./bench/diagnosis.ts";
import { benchExplain } from "./bench/explain.ts";
import { benchExplore } from "./bench/explore.ts";
import { benchFillAndWatch } from "./bench/fill-and-watch.ts";
import { benchFindTap } from "./bench/find-tap.ts";
import { benchFirstScreen } from "./bench/first-screen.ts";
import { benchHealth } from "./bench/health.ts";
import { benchHistory } from "./bench/history.ts";
import { benchHostile } from "./bench/hostile.ts";
import { benchJobPage } from "./bench/job-page.ts";
import { benchJudgedLogs } from "./bench/judged-logs.ts";
import { benchKept } from "./bench/kept.ts";
import { benchKills } from "./bench/kills.ts";
import { benchLive } from "./bench/live.ts";
import { benchLiveMemory } from "./bench/live-memory.ts";
import { benchLogs } from "./bench/logs.ts";
import { benchLongBook } from "./bench/long-book.ts";
import { type Figure, slowness } from "./bench/measure.ts";
import { benchNext } from "./bench/next.ts";
import { benchPlanToBuild } from "./bench/plan-to-build.ts";
import { benchPractice } from "./bench/practice.ts";
import { benchReports } from "./bench/reports.ts";
import { benchRush } from "./bench/rush.ts";
import { benchSamples } from "./bench/samples.ts";
import { benchSlowHands } from "./bench/slow-hands.ts";
import { benchSourcing } from "./bench/sourcing.ts";
import { benchState } from "./bench/state.ts";
import { benchThermal } from "./bench/thermal.ts";
import { benchWalks } from "./bench/walks.ts";

const BENCHES: Record<string, (...given: string[]) => Promise<Figure[]>> = {
  samples: benchSamples,
  logs: benchLogs,
  thermal: benchThermal,
  health: benchHealth,
  explain: benchExplain,
  practice: benchPractice,
  live: benchLive,
  "live-memory": benchLiveMemory,
  "judged-logs": benchJudgedLogs,
  "job-page": benchJobPage,
  "first-screen": benchFirstScreen,
  "long-book": benchLongBook,
  history: benchHistory,
  diagnosis: benchDiagnosis,
  "find-tap": benchFindTap,
  "slow-hands": benchSlowHands,
  walks: benchWalks,
  sourcing: benchSourcing,
  "plan-to-build": benchPlanToBuild,
  "fill-and-watch": benchFillAndWatch,
  reports: benchReports,
  state: benchState,
  next: benchNext,
  day: benchDay,
  rush: benchRush,
  hostile: benchHostile,
  crowd: benchCrowd,
  kills: benchKills,
  kept: benchKept,
  explore: benchExplore,
};

/** Takes as long as it is given: only when it is asked for by name. */
const ASKED_ALONE = new Set(["explore"]);
/** What depends on the machine is held to what this machine needs for a yardstick. */
const TIMED = new Set(["ms", "s"]);

const [asked, given] = [
  process.argv.slice(2).filter((each) => !/^\d/.test(each)),
  process.argv.slice(2).filter((each) => /^\d/.test(each)),
];
const unknown = asked.find((name) => !BENCHES[name]);
if (unknown) {
  process.stderr.write(`“${unknown}” is no bench. There are: ${Object.keys(BENCHES).join(", ")}.\n`);
  process.exit(1);
}

let missed = 0;
const say = (line: string) => process.stdout.write(`${line}\n`);
for (const [name, bench] of Object.entries(BENCHES)) {
  if (asked.length > 0 ? !asked.includes(name) : ASKED_ALONE.has(name)) continue;
  const slower = slowness();
  const figures = await bench(...given).catch((reason: Error) => {
    missed++;
    say(`FAILED  ${name}: ${reason.stack ?? reason}`);
    return [];
  });
  for (const figure of figures) {
    const { measured, atLeast, unit, from } = figure;
    const isTimed = TIMED.has(unit) && !atLeast;
    const wanted = isTimed ? figure.wanted * slower : figure.wanted;
    const isMet = atLeast ? measured >= wanted : measured < wanted;
    if (!isMet) missed++;
    const value = `${Number(measured.toPrecision(3))} ${unit}`.trim();
    const here = isTimed && slower > 1 ? `, ${Number(wanted.toPrecision(3))} on this machine` : "";
    say(
      `${isMet ? "met   " : "MISSED"}  ${figure.name}: ${value} (wanted ${atLeast ? "at least" : "under"} ${figure.wanted} ${unit}${here})${from ? `; ${from}` : ""}`,
    );
  }
}
if (missed > 0) process.exitCode = 1;
