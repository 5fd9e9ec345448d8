import { defineConfig } from "vitest/config";
import { LONGEST_WAIT_MS, LOOK_MS } from "./e2e/support/waits.ts";
import { LongestFirst, WALKERS } from "./e2e/support/walkers.ts";

/** A loaded machine must stay green: no test is ended that would have come to its end. */
const ENDS_MS = { testTimeout: 600_000, hookTimeout: 600_000 };
/** The same properties are tried with the same inputs each time; `npm run bench -- explore` has others. */
const setupFiles = ["bin/lib/seeds.ts"];

/** What a page or a server is about to show is looked for as long as a person would. */
const POLLED = { poll: { timeout: LONGEST_WAIT_MS, interval: LOOK_MS } };

const BOTH_CORES = 2;

export default defineConfig({
  test: {
    sequence: { sequencer: LongestFirst },
    projects: [
      // Pure functions, which leave nothing behind: a fresh world for each file would cost more than the tests.
      {
        test: {
          name: "core",
          include: ["core/**/*.test.ts"],
          environment: "node",
          isolate: false,
          // What runs beside it (`bin/test.mjs`) takes what is left.
          maxWorkers: BOTH_CORES,
          setupFiles,
          ...ENDS_MS,
        },
      },
      {
        test: {
          name: "app",
          include: ["app/**/*.test.ts", "bin/**/*.test.ts", "stand-ins/**/*.test.ts"],
          environment: "node",
          isolate: false,
          maxWorkers: BOTH_CORES,
          setupFiles,
          ...ENDS_MS,
        },
      },
      {
        test: {
          name: "server",
          isolate: false,
          globalSetup: ["server/testing/global-setup.ts"],
          include: ["server/**/*.test.ts", "demo/**/*.test.ts"],
          environment: "node",
          maxWorkers: BOTH_CORES,
          sequence: { groupOrder: 1 },
          setupFiles,
          ...ENDS_MS,
        },
      },
      // Servers that are stopped, killed, put behind proxies and badly spoken to: nobody looks at a page.
      {
        test: {
          name: "processes",
          isolate: false,
          globalSetup: ["views/support/seeded.ts"],
          include: ["processes/**/*.test.ts"],
          environment: "node",
          maxWorkers: BOTH_CORES,
          sequence: { groupOrder: 1 },
          setupFiles,
          expect: POLLED,
          ...ENDS_MS,
        },
      },
      // The program's own pages on its own server, in one process and a light document: what needs no browser to be shown.
      {
        test: {
          name: "views",
          isolate: false,
          globalSetup: ["views/support/global-setup.ts"],
          include: ["views/**/*.test.ts"],
          environment: "./views/support/environment.ts",
          // Built already: read as it is.
          server: { deps: { external: [/\.local\/views\//] } },
          maxWorkers: BOTH_CORES,
          sequence: { groupOrder: 2 },
          setupFiles: [...setupFiles, "views/support/dom.ts"],
          expect: POLLED,
          ...ENDS_MS,
        },
      },
      {
        test: {
          name: "e2e",
          // What each file asks of is a server and a browser's context of its own: the modules may stay.
          isolate: false,
          globalSetup: ["e2e/support/global-setup.ts"],
          include: ["e2e/**/*.test.ts"],
          environment: "node",
          maxWorkers: WALKERS,
          sequence: { groupOrder: 3 },
          expect: POLLED,
          ...ENDS_MS,
        },
      },
    ],
  },
});
