// Compares audits in a browser with opening the same pages in it and waiting until they rest. Needs an installed Chromium.
import { execFileSync } from "node:child_process";
import { mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import { pathToFileURL } from "node:url";
import puppeteer from "puppeteer-core";
import { boatyardPage } from "./pages.mjs";
import { median } from "./turns.mjs";

const BROWSER = process.env.CHROMIUM ?? "/usr/bin/chromium";
const MEGABYTE = 2 ** 20;

/** A dialog page of so many stops. */
const dialogPage = (stops) =>
  `<!doctype html><html lang="en"><title>Slips – Brackwater Boatyard</title><main><h1>Slips</h1>${Array.from(
    { length: stops - 3 },
    (_, i) => `<p><a href="#s${i}">Slip ${i}</a></p>`,
  ).join(
    "",
  )}<button id="book">Book</button><dialog id="asks" aria-label="Book"><button id="yes">Yes</button><button id="no">No</button></dialog>
<script>
book.onclick = () => asks.showModal();
yes.onclick = no.onclick = () => asks.close();
</script></main></html>`;

const timed = async (work) => {
  const start = performance.now();
  await work();
  return performance.now() - start;
};

/** @param hold tells a measure and keeps it to its bound */
export async function measureBrowser(hold) {
  const { audit, nodeHost } = await import(path.resolve("dist/api.js"));
  const folder = mkdtempSync(path.join(tmpdir(), "keel-bench-browser-"));
  const host = nodeHost({ workingDirectory: folder });
  const page = (name, html) => writeFileSync(path.join(folder, name), html);
  const audited = (targets, options = {}) =>
    timed(() => audit(targets, { engine: "browser", press: false, config: false, ...options }, { host }));
  const opened = (name, look = async () => {}) =>
    timed(async () => {
      const browser = await puppeteer.launch({
        executablePath: BROWSER,
        args: ["--no-sandbox", "--disable-gpu"],
      });
      const window = await browser.newPage();
      await window.setViewport({ width: 1280, height: 800 });
      await window.goto(pathToFileURL(path.join(folder, name)).href, { waitUntil: "networkidle0" });
      await look(window);
      await browser.close();
    });
  /** The median of the ratios, each to what was measured right before it. */
  const against = async (turns, ours, theirs) => {
    const ratios = [];
    for (let turn = 0; turn < turns; turn++) ratios.push((await ours()) / (await theirs()));
    return median(ratios);
  };
  try {
    for (const [size, bound, turns] of [
      [1_000, 2, 5],
      [10_000, 3, 3],
    ]) {
      const name = `${size}.html`;
      page(name, boatyardPage(size));
      const ratio = await against(
        turns,
        () => audited([name]),
        () => opened(name),
      );
      hold(`${size} elements audited in a browser against opened in it`, ratio, bound);
    }
    const twenty = Array.from({ length: 20 }, (_, i) => `slips-${i}.html`);
    for (const name of twenty) page(name, boatyardPage(400));
    const beside = await against(
      3,
      () => audited(twenty, { workers: 2 }),
      () => audited(twenty, { workers: 1 }),
    );
    hold("20 pages in two windows against one", beside, 1 / 1.7);
    page("dialog.html", dialogPage(12));
    const keys = median([
      await audited(["dialog.html"], { press: true }),
      await audited(["dialog.html"], { press: true }),
    ]);
    hold("keys on a dialog page of 12 stops", keys / 1000, 15, " s");
    const sheet = path.join(folder, "eyes.png");
    const vision = await against(
      3,
      () =>
        timed(() =>
          execFileSync(
            process.execPath,
            [path.resolve("dist/cli.js"), "vision", "slips-0.html", "--format", "png", "-o", sheet],
            { cwd: folder, stdio: "ignore" },
          ),
        ),
      () => opened("slips-0.html", (window) => window.screenshot({ fullPage: true })),
    );
    hold("a page as all eyes see it against one screenshot", vision, 3);
    const many = Array.from({ length: 200 }, (_, i) => `berth-${i}.html`);
    for (const name of many) page(name, boatyardPage(60));
    const used = [];
    const half = many.length / 2;
    for (const part of [many.slice(0, half), many.slice(half)]) {
      await audited(part, { only: ["structure", "names"] });
      globalThis.gc?.();
      used.push(process.memoryUsage().heapUsed / MEGABYTE);
    }
    hold("memory after 200 pages in a browser against after 100", used[1] / used[0], 1.1);
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}
