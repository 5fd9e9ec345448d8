import { defineConfig } from "vitest/config";
import { WALKERS } from "./e2e/support/walkers.ts";

/** Times each answer, so nothing else may want the machine meanwhile. */
const ALONE = "e2e/hostile.test.ts";

export default defineConfig({
  test: {
    projects: [
      // Pure functions, which leave nothing behind: a fresh world for each file would cost more than the tests.
      { test: { name: "core", include: ["core/**/*.test.ts"], environment: "node", isolate: false } },
      { test: { name: "app", include: ["app/**/*.test.ts"], environment: "node", isolate: false } },
      {
        test: {
          name: "server",
          isolate: false,
          globalSetup: ["server/testing/global-setup.ts"],
          include: ["server/**/*.test.ts", "demo/**/*.test.ts"],
          environment: "node",
          maxWorkers: 2,
          testTimeout: 20_000,
          hookTimeout: 60_000,
        },
      },
      {
        test: {
          name: "e2e",
          // What each file asks of is a server and a browser's context of its own: the modules may stay.
          isolate: false,
          globalSetup: ["e2e/support/global-setup.ts"],
          include: ["e2e/**/*.test.ts"],
          exclude: [ALONE],
          environment: "node",
          maxWorkers: WALKERS,
          testTimeout: 150_000,
          hookTimeout: 120_000,
        },
      },
      {
        test: {
          name: "alone",
          include: [ALONE],
          environment: "node",
          testTimeout: 150_000,
          hookTimeout: 120_000,
          sequence: { groupOrder: 1 },
        },
      },
    ],
  },
});
