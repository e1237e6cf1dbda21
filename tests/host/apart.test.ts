import { readdirSync, readFileSync } from "node:fs";
import { describe, expect, test } from "vitest";
import { Workers } from "../../src/host/apart.ts";
import type { ApartTask } from "../../src/host/host.ts";

const ready: ApartTask = {
  program: "window-process",
  data: { kind: "ready" },
  reads: [],
  milliseconds: 20_000,
  megabytes: 512,
};

/** The windows that were started from here, by process. Linux. */
const windows = (): readonly string[] =>
  readdirSync("/proc/self/task")
    .flatMap((thread) => readFileSync(`/proc/self/task/${thread}/children`, "utf8").trim().split(" "))
    .filter(
      (pid) => pid !== "" && readFileSync(`/proc/${pid}/cmdline`, "utf8").includes("window-process.js"),
    );

// One after the other: the first counts the windows that are open.
const once = { concurrent: false };
describe.runIf(process.platform === "linux")("a process that does tasks", once, () => {
  test("is kept for the next, and made anew where it has ended or may not read what is needed", async ({
    expect,
  }) => {
    const workers = new Workers(1);
    // Those of other files.
    const before = windows();
    const own = () => windows().filter((pid) => !before.includes(pid));
    expect(await workers.run(ready)).toEqual({ ok: true, value: true });
    const [first = ""] = own();
    expect(await workers.run(ready)).toEqual({ ok: true, value: true });
    expect(own()).toEqual([first]);
    process.kill(Number(first), "SIGKILL");
    await expect.poll(own).toEqual([]);
    expect(await workers.run(ready)).toEqual({ ok: true, value: true });
    const [second] = own();
    expect(await workers.run({ ...ready, reads: ["/yard"] })).toEqual({ ok: true, value: true });
    expect(own()).not.toContain(second);
  });

  test("tells in a word why nothing came of a task", async () => {
    const answer = await new Workers(1).run({ ...ready, data: { kind: "list" } });
    expect(answer).toEqual({
      ok: false,
      reason: "specimens were asked for before their program was given",
    });
  });
});
