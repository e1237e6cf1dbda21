import { expect, test } from "vitest";
import { explore } from "../../src/explore/explore.ts";
import { liveSource } from "../../src/render/live-driver.ts";
import { everyCheck, everyKey, pageSource } from "./pages.ts";
import { widgets } from "./widgets.ts";

test.each(widgets)("nothing is found on %s", async (_, html) => {
  const { findings, problems } = await explore(liveSource(pageSource(html)), {
    ...everyKey,
    patience: 20_000,
    plan: everyCheck,
  });
  // Whether a letter can be turned off is a question all the same.
  const told = findings.filter(({ check }) => check !== "keys.no-letter-shortcuts");
  expect([problems, told.map(({ check, message, keys }) => `${check} ${message} ${keys}`)]).toEqual([[], []]);
});
