import { defineConfig } from "vitest/config";

export default defineConfig({
  test: {
    include: ["tests/**/*.test.ts"],
    exclude: ["tests/agreement/**"],
    testTimeout: 180_000,
    // Most of the time goes to programs that are run, and waited for.
    maxWorkers: "100%",
    // No test leaves anything behind for another: what they import is loaded once for all files of a worker.
    isolate: false,
    setupFiles: ["tests/after-each-file.ts"],
    sequence: { concurrent: true },
    maxConcurrency: 3,
  },
});
