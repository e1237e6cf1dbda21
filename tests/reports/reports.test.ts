import { cpSync } from "node:fs";
import path from "node:path";
import { describe, test } from "vitest";
import { folderWith, keel } from "../cli/run-keel.ts";

const demo = path.resolve(import.meta.dirname, "../../demo");

/** A folder of one's own with the demo in it, where nothing is committed and no cache is kept. */
function copied(): string {
  const folder = folderWith({});
  cpSync(demo, folder, { recursive: true });
  return folder;
}

/** What is another on each run: times, and the version of the program. */
const steady = (text: string): string =>
  text
    .replace(/"(startedAt|tool)": ("[^"]*"|\{[^}]*\})/g, '"$1": …')
    .replace(/"elapsedMs": \d+/g, '"elapsedMs": …')
    .replace(/^(---|\+\+\+) .*$/gm, (line) => line.replace(/\t.*$/, ""));

/**
 * The whole text of every report, on the demo. Where a text is meant to change, `npx vitest run tests/reports -u` writes it
 * anew: then it is read before it is committed.
 */
describe("every report, word for word", () => {
  test.for<[name: string, args: string[], status: number]>([
    ["audit-page", ["audit", "mistakes/tides.html", "--engine", "read"], 1],
    ["audit-page-all", ["audit", "mistakes/slipway.html", "--engine", "read", "--all"], 1],
    ["audit-quiet", ["audit", "mistakes", "--engine", "read", "--quiet"], 1],
    ["audit-clean", ["audit", "mended", "--engine", "read", "--coverage"], 0],
    ["audit-components", ["audit", "booking/src/App.tsx", "--engine", "read"], 1],
    ["audit-keys", ["audit", "keys/booking.html", "--engine", "render"], 1],
    ["audit-json", ["audit", "mistakes/work-order.html", "--engine", "read", "--format", "json"], 1],
    ["unknown-components", ["audit", "booking/src", "--engine", "read", "--unknown-components"], 0],
    ["show-config", ["audit", "--show-config", "mistakes"], 0],
    ["tree", ["tree", "mistakes/slipway.html"], 0],
    ["tree-names", ["tree", "mistakes/tides.html", "--names"], 0],
    ["tree-at", ["tree", "mistakes/slipway.html", "--at", "a"], 0],
    ["tree-json", ["tree", "mistakes/tides.html", "--format", "json"], 0],
    ["hear", ["hear", "mistakes/slipway.html"], 0],
    ["hear-headings", ["hear", "mistakes", "--by", "headings"], 0],
    ["hear-links", ["hear", "mistakes/slipway.html", "--by", "links"], 0],
    ["hear-controls", ["hear", "mistakes/work-order.html", "--by", "controls"], 0],
    ["hear-landmarks", ["hear", "mended/slipway.html", "--by", "landmarks"], 0],
    ["hear-images", ["hear", "mistakes/slipway.html", "--by", "images"], 0],
    ["hear-tables", ["hear", "mistakes/tides.html", "--by", "tables"], 0],
    ["walk", ["walk", "mistakes/slipway.html", "--engine", "read"], 0],
    ["walk-keys", ["walk", "mistakes/work-order.html", "--engine", "read", "--keys"], 0],
    ["walk-pressed", ["walk", "keys/booking.html", "--engine", "render"], 0],
    ["walk-picture", ["walk", "mistakes/tides.html", "--engine", "read", "--format", "svg"], 0],
    ["walk-json", ["walk", "mistakes/tides.html", "--engine", "read", "--format", "json"], 0],
    ["contrast", ["contrast", "#777", "white"], 0],
    ["contrast-over", ["contrast", "#fff", "rgb(0 0 0 / 40%)", "--over", "#9cf", "--size", "14pt"], 0],
    ["contrast-json", ["contrast", "#777", "white", "--format", "json"], 0],
    ["mend", ["mend", "mistakes", "--also", "likely"], 0],
    ["mend-json", ["mend", "mistakes/tides.html", "--format", "json"], 0],
    ["explain-check", ["explain", "names.image-described"], 0],
    ["explain-criterion", ["explain", "1.4.3"], 0],
    ["explain-family", ["explain", "keys"], 0],
    ["explain-all", ["explain"], 0],
  ])("%s", async ([name, args, status], { expect }) => {
    const ran = await keel(copied(), args);
    expect(ran.status, ran.err).toBe(status);
    await expect(steady(ran.out)).toMatchFileSnapshot(`${name}.txt`);
  });
});
