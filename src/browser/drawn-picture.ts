import type { Drawing } from "../core/rendering/drawing.ts";
import type { Host } from "../host/host.ts";
import { BrowserRun } from "./browser-run.ts";
import { installedBrowser } from "./installed.ts";

/**
 * Paints drawings in an installed browser.
 * @param named the browser asked for; null for the first that is installed
 * @returns a PNG of each, or in one line why there is none
 */
export async function painted(
  drawings: readonly Drawing[],
  named: string | null,
  host: Host,
): Promise<readonly Uint8Array[] | string> {
  const found = await installedBrowser(named, host, process);
  if (!found.ok) return found.problem.message;
  const isRoot = process.getuid?.() === 0;
  const run = new BrowserRun(found.value, { isRoot, trustsAll: false, language: null });
  try {
    const context = await run.context();
    const page = await context.newPage();
    const pictures: Uint8Array[] = [];
    for (const { svg, width, height } of drawings) {
      await page.setViewport({ width, height });
      await page.setContent(`<!doctype html><style>body { margin: 0 } svg { display: block }</style>${svg}`, {
        waitUntil: "load",
      });
      pictures.push(await page.screenshot({ type: "png" }));
    }
    return pictures;
  } catch (error) {
    return `the picture could not be painted: ${error instanceof Error ? error.message : String(error)}`;
  } finally {
    await run.close();
  }
}
