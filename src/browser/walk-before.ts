import { nothingToWalk, type Problem, walkBroken } from "../core/findings/problems.ts";
import type { PageFile } from "../engine/targets.ts";
import { walkScriptIn } from "../engine/walk-file.ts";
import { runScript } from "../explore/run-script.ts";
import type { Host } from "../host/host.ts";
import type { ReadingPlan } from "../settings/plan.ts";
import { ActedWindow } from "./acted-window.ts";
import { BrowserDriver } from "./browser-driver.ts";
import type { BrowserRun } from "./browser-run.ts";
import { BrowserWindow } from "./browser-window.ts";
import type { PageServer } from "./page-server.ts";
import { plainReason } from "./plain-reason.ts";
import { ServedPage } from "./seen-page.ts";
import type { Storage } from "./storage.ts";

/** What a script is walked with. */
interface WalkedBy {
  readonly host: Host;
  readonly run: BrowserRun;
  readonly server: PageServer;
  readonly storage: Storage;
}

/** Walks the script that comes before all else, and keeps what it leaves stored; what went wrong, or null. */
export async function walkBefore(
  pages: readonly PageFile[],
  plan: ReadingPlan,
  { host, run, server, storage }: WalkedBy,
): Promise<Problem | null> {
  const { before } = plan.browser;
  if (before === null) return null;
  const page = pages.find(({ address }) => address !== undefined);
  if (page?.address === undefined) return nothingToWalk(before);
  const script = await walkScriptIn(before, host, process.env);
  if (!script.ok) return script.problem;
  const window = await BrowserWindow.open(
    await run.context(),
    plan.device,
    plan.browser,
    new URL(page.address).origin,
  );
  try {
    const acted = await ActedWindow.of(window, { address: page.address, letsSend: true });
    await acted.open();
    const looking = { page, plan, host, server, window, browser: await run.identity(), mounted: null };
    const served = await ServedPage.of(looking, window.opened().text);
    const driver = await BrowserDriver.open(acted, served, async () => {});
    const { lines } = await runScript({ open: async () => driver }, script.value.steps);
    const broken = lines.find(({ outcome }) => outcome === "failed");
    if (broken !== undefined)
      return walkBroken(`${before}:${broken.line}`, broken.message ?? "", broken.instead[0]);
    await storage.adopt(window);
    return null;
  } catch (error) {
    return walkBroken(
      before,
      `Could not be walked: ${plainReason(error instanceof Error ? error.message : String(error))}.`,
      undefined,
    );
  } finally {
    await window.close();
  }
}
