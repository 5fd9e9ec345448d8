import { defineConfig } from "vitest/config";

export default defineConfig({
  test: {
    projects: [
      { test: { name: "core", include: ["core/**/*.test.ts"], environment: "node" } },
      { test: { name: "app", include: ["app/**/*.test.ts"], environment: "node" } },
      {
        test: {
          name: "server",
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
          globalSetup: ["e2e/support/global-setup.ts"],
          include: ["e2e/**/*.test.ts"],
          environment: "node",
          fileParallelism: false,
          testTimeout: 90_000,
          hookTimeout: 120_000,
        },
      },
    ],
  },
});
