import { expect, test } from "vitest";
import type { AuditOptions } from "../../src/settings/options.ts";
import { auditPlan } from "../../src/settings/plan.ts";

/** By what results of this plan are kept; or why there is no plan. */
function keyOf(options: AuditOptions, build = "one"): string {
  const loaded = { file: "/yard/keel.config.json", text: "", config: {} };
  const planned = auditPlan(["a.html"], options, { loaded, workingDirectory: "/yard", palette: [], build });
  return planned.ok ? planned.value.plan.key : planned.problem.message;
}

test("results are kept by all that they hang on, the program itself included", () => {
  expect(keyOf({})).toBe(keyOf({}));
  expect(keyOf({}, "two")).not.toBe(keyOf({}, "one"));
  expect(keyOf({ only: ["names"] })).not.toBe(keyOf({}));
  expect(keyOf({ level: "AAA" })).not.toBe(keyOf({}));
  expect(keyOf({ window: "320x480" })).not.toBe(keyOf({}));
});

test.each<[options: AuditOptions, message: string]>([
  [{ maxSize: 0 }, "--max-size must be a number of megabytes above 0"],
  [{ timeLimit: -1 }, "--time-limit must be a number of seconds above 0"],
])("%j is refused", (options, message) => {
  expect(keyOf(options)).toBe(message);
});
