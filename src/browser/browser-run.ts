import { rmSync } from "node:fs";
import { mkdtemp, readdir, rm } from "node:fs/promises";
import os from "node:os";
import path from "node:path";
import type { Browser, BrowserContext } from "puppeteer-core";
import type { Installed } from "./installed.ts";

const FLAGS = [
  "--disable-gpu",
  "--hide-scrollbars",
  "--force-color-profile=srgb",
  "--disable-background-networking",
  "--disable-component-update",
  "--disable-sync",
  "--no-first-run",
  "--no-default-browser-check",
  // Frames of other origins are looked into as those of the page's own.
  "--disable-site-isolation-trials",
  "--disable-features=IsolateOrigins,site-per-process,Translate,MediaRouter,OptimizationHints",
];

/** What profiles are called, with the process that they belong to. */
const PROFILE = "keel-browser-";

/** What ends this process from outside; a user's own break is taken by the command. */
const ENDS = ["SIGTERM", "SIGHUP"] as const;

/** Removes the profiles of runs that were killed. */
async function removeLeftBehind(): Promise<void> {
  for (const name of await readdir(os.tmpdir()).catch(() => [])) {
    const owner = name.startsWith(PROFILE) ? Number.parseInt(name.slice(PROFILE.length), 10) : Number.NaN;
    if (Number.isNaN(owner) || isAlive(owner)) continue;
    await rm(path.join(os.tmpdir(), name), { recursive: true, force: true }).catch(() => undefined);
  }
}

function isAlive(pid: number): boolean {
  try {
    process.kill(pid, 0);
    return true;
  } catch (error) {
    return error instanceof Error && "code" in error && error.code === "EPERM";
  }
}

/** How a browser is started. */
export interface Launching {
  readonly isRoot: boolean;
  readonly trustsAll: boolean;
  /** The language that pages are asked for; null for its own. */
  readonly language: string | null;
  /** The size of the windows that people see of it, in pixels; absent where nobody sees any. */
  readonly shownAs?: { readonly width: number; readonly height: number };
}

/** A browser that runs for as long as some targets are looked at; started when it is first needed, and once more where it dies. */
export class BrowserRun {
  readonly #installed: Installed;
  readonly #how: Launching;
  #starting: Promise<Started> | null = null;
  #restarts = 0;

  constructor(installed: Installed, how: Launching) {
    this.#installed = installed;
    this.#how = how;
  }

  /** The name and version that it goes by. */
  async identity(): Promise<{ readonly name: string; readonly version: string }> {
    const { browser } = await this.#started();
    const [, version = ""] = /\/([\d.]+)/.exec(await browser.version()) ?? [];
    return { name: this.#installed.name, version };
  }

  /** A context of its own: nothing of other pages is in it. */
  async context(): Promise<BrowserContext> {
    const { browser } = await this.#started();
    return browser.createBrowserContext();
  }

  async #started(): Promise<Started> {
    this.#starting ??= start(this.#installed, this.#how);
    const started = await this.#starting;
    if (started.browser.connected || this.#restarts > 0) return started;
    this.#restarts++;
    await started.close();
    this.#starting = start(this.#installed, this.#how);
    return this.#starting;
  }

  /** Ends it, with its processes and its profile. */
  async close(): Promise<void> {
    const started = await this.#starting?.catch(() => null);
    this.#starting = null;
    await started?.close();
  }
}

interface Started {
  readonly browser: Browser;
  close(): Promise<void>;
}

async function start(
  installed: Installed,
  { isRoot, trustsAll, language, shownAs }: Launching,
): Promise<Started> {
  const { default: puppeteer } = await import("puppeteer-core");
  await removeLeftBehind();
  const profile = await mkdtemp(path.join(os.tmpdir(), `${PROFILE}${process.pid}-`));
  let browser: Browser | null = null;
  // Where this process ends before its work does, neither program nor profile may stay.
  const onExit = () => {
    browser?.process()?.kill("SIGKILL");
    rmSync(profile, { recursive: true, force: true, maxRetries: 3 });
  };
  const onSignal = (signal: NodeJS.Signals) => {
    onExit();
    stopWaiting();
    process.kill(process.pid, signal);
  };
  const stopWaiting = () => {
    process.removeListener("exit", onExit);
    for (const signal of ENDS) process.removeListener(signal, onSignal);
  };
  process.once("exit", onExit);
  for (const signal of ENDS) process.once(signal, onSignal);
  const leave = async () => {
    stopWaiting();
    await rm(profile, { recursive: true, force: true, maxRetries: 5, retryDelay: 100 });
  };
  try {
    browser = await puppeteer.launch({
      executablePath: installed.path,
      headless: shownAs === undefined,
      userDataDir: profile,
      // The system's own wall between pages and the machine is not to be had as root.
      args: [
        ...FLAGS,
        ...(shownAs === undefined ? [] : [`--window-size=${shownAs.width},${shownAs.height}`]),
        ...(isRoot ? ["--no-sandbox"] : []),
        ...(language === null ? [] : [`--lang=${language}`, `--accept-lang=${language}`]),
      ],
      acceptInsecureCerts: trustsAll,
      defaultViewport: null,
      // It ends when nobody is at the other end, even where that was killed.
      pipe: true,
      handleSIGINT: false,
      handleSIGTERM: false,
      handleSIGHUP: false,
    });
  } catch (error) {
    await leave();
    throw error;
  }
  const running = browser;
  await closeWhatPagesOpen(running);
  return {
    browser,
    async close() {
      const program = running.process();
      await Promise.race([running.close(), new Promise((done) => setTimeout(done, 5000).unref())]).catch(
        () => undefined,
      );
      if (program?.exitCode === null) program.kill("SIGKILL");
      await leave();
    },
  };
}

/** Windows that pages open are closed at once: a dialog in one would hold up the page that opened it. */
async function closeWhatPagesOpen(browser: Browser): Promise<void> {
  const session = await browser.target().createCDPSession();
  session.on("Target.targetCreated", ({ targetInfo: { targetId, openerId } }) => {
    if (openerId !== undefined) void session.send("Target.closeTarget", { targetId }).catch(() => undefined);
  });
  await session.send("Target.setDiscoverTargets", { discover: true });
}
