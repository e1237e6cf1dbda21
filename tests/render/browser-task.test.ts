import { setFlagsFromString } from "node:v8";
import { runInNewContext } from "node:vm";
import { afterEach, expect, test } from "vitest";
import { inTask, microtaskCheckpoint } from "../../src/render/browser-task.ts";

afterEach(() => {
  setFlagsFromString("--no-stress-flush-code");
});

/** What a promise that waits has done once a checkpoint was reached in a task. */
const afterCheckpoint = () =>
  inTask(() => {
    let done = false;
    void Promise.resolve().then(() => {
      done = true;
    });
    microtaskCheckpoint();
    return done;
  });

test("promises go on at a checkpoint, also once the engine let go of what it compiled", async () => {
  expect(await afterCheckpoint()).toBe(true);
  setFlagsFromString("--expose-gc");
  setFlagsFromString("--stress-flush-code");
  const collect = runInNewContext("gc") as () => void;
  for (let times = 0; times < 4; times++) collect();
  expect(await afterCheckpoint()).toBe(true);
});
