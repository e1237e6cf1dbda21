import { defineConfig } from "vitest/config";

export default defineConfig({
  test: {
    include: ["tests/**/*.test.ts"],
    exclude: ["tests/agreement/**"],
    testTimeout: 60_000,
    // Most of the time goes to programs that are run, and waited for.
    maxWorkers: "100%",
    sequence: { concurrent: true },
    maxConcurrency: 3,
  },
});
