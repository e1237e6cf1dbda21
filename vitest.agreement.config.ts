import { defineConfig } from "vitest/config";

/** Tests that open a real browser. */
export default defineConfig({
  test: {
    include: ["tests/agreement/**/*.test.ts"],
    testTimeout: 120_000,
    hookTimeout: 60_000,
    // One waits for its browser while the other works.
    maxWorkers: 2,
  },
});
