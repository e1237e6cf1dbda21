import { setTimeout as wait } from "node:timers/promises";
import type { ElementNode } from "../core/document/node.ts";
import { notOpened, type Problem, type Result, refusal } from "../core/findings/problems.ts";
import type { Scene } from "../core/scene/scene.ts";
import type { PageFile } from "../engine/targets.ts";
import { announced, type LiveRegions, liveRegions } from "../explore/announcements.ts";
import type { Host } from "../host/host.ts";
import type { ReadingPlan } from "../settings/plan.ts";
import { BrowserRun } from "./browser-run.ts";
import { BrowserWindow, WentElsewhere } from "./browser-window.ts";
import { type Followed, type FollowedAct, followPeople, takeFollowed } from "./inside/follow.ts";
import { installedBrowser } from "./installed.ts";
import { localPage } from "./local-page.ts";
import { PageServer, withoutSecret } from "./page-server.ts";
import { plainReason } from "./plain-reason.ts";
import { type SeenDocument, ServedPage } from "./seen-page.ts";

/** How often a window is asked what was done in it, and how long a page has to answer an act before it is looked at. Milliseconds. */
const EVERY = 80;
const ANSWERS_WITHIN = 120;

/** How long a window that only changes by itself is left alone between two looks. Milliseconds. */
const RARELY = 500;

/** What a person did and what came of it, at one moment of a page. */
export interface FollowedMoment {
  /** Where it is, where it has just come there; null while it stays. */
  readonly arrived: string | null;
  readonly scene: Scene;
  readonly acts: readonly (Omit<FollowedAct, "element"> & { readonly element: ElementNode | null })[];
  /** What live regions said. */
  readonly said: readonly string[];
}

export interface Following {
  /** Told once the page is open and followed. */
  readonly onOpen: () => void;
  readonly onMoment: (moment: FollowedMoment) => void;
  /** Ends it, as closing the window does. */
  readonly signal: AbortSignal;
}

/** Why no window can be shown; null where one can. X11 and Wayland name the screen in the environment. */
function noScreen(platform: NodeJS.Platform, env: NodeJS.ProcessEnv): string | null {
  if (platform === "darwin" || platform === "win32") return null;
  return env.DISPLAY || env.WAYLAND_DISPLAY
    ? null
    : "there is no screen to open a window on: neither DISPLAY nor WAYLAND_DISPLAY is set. Start it where you can see windows.";
}

/** Opens a page in a window that a person uses, and tells what they do until they close it. */
export async function follow(
  page: PageFile,
  plan: ReadingPlan,
  host: Host,
  { onOpen, onMoment, signal }: Following,
): Promise<Result<null>> {
  const unseen = noScreen(process.platform, process.env);
  if (unseen !== null) return refusal(unseen);
  const found = await installedBrowser(plan.browser.named, host, process);
  if (!found.ok) return found;
  const { trustsAll, language } = plan.browser;
  const { width, height } = plan.device;
  const isRoot = process.getuid?.() === 0;
  const run = new BrowserRun(found.value, { isRoot, trustsAll, language, shownAs: { width, height } });
  const server = new PageServer(host, plan.roots);
  try {
    const browser = await run.identity();
    const local = page.address === undefined ? await localPage(page, plan, host, server) : null;
    if (local !== null && !local.ok) return local;
    const address = local?.address ?? page.address ?? "";
    const origin = page.address === undefined ? null : new URL(address).origin;
    const window = await BrowserWindow.open(await run.context(), plan.device, plan.browser, origin);
    // The empty window that a browser begins with is in nobody's way.
    const [empty] = await window.page.browser().defaultBrowserContext().pages();
    await empty?.close();
    // It is the size that a person makes it, and its dialogs are theirs to answer.
    await window.session.send("Emulation.clearDeviceMetricsOverride");
    window.onDialog = async () => {};
    await window.goTo(address, plan.timeLimit * 1000);
    const served = await ServedPage.of(
      { page, plan, host, server, window, browser, mounted: null },
      window.opened().text,
    );
    onOpen();
    await new FollowedWindow(window, served, onMoment).untilClosed(signal);
    return { ok: true, value: null };
  } catch (error) {
    return { ok: false, problem: problemOf(page, error) };
  } finally {
    await Promise.all([run.close(), server.close()]);
  }
}

const problemOf = (page: PageFile, error: unknown): Problem =>
  notOpened(page.name, plainReason(error instanceof Error ? error.message : String(error)));

/** A window that is asked again and again what was done in it. */
class FollowedWindow {
  readonly #window: BrowserWindow;
  readonly #onMoment: Following["onMoment"];
  #served: ServedPage;
  #visits: number;
  #regions: LiveRegions = new Map();
  #changes = -1;
  #looked = 0;
  #isClosed = false;

  constructor(window: BrowserWindow, served: ServedPage, onMoment: Following["onMoment"]) {
    this.#window = window;
    this.#served = served;
    this.#onMoment = onMoment;
    this.#visits = -1;
    window.page.once("close", () => {
      this.#isClosed = true;
    });
  }

  async untilClosed(signal: AbortSignal): Promise<void> {
    while (!this.#isClosed && !signal.aborted) {
      try {
        await this.#turn();
      } catch (error) {
        // A page that is closed has ended all; one that goes elsewhere has taken its world with it.
        const { page } = this.#window;
        if (this.#isClosed || page.isClosed() || !page.browser().connected) return;
        if (/(?:Target|Session|Connection) closed/i.test(String(error))) return;
        const isElsewhere = error instanceof WentElsewhere || /context|navigat|detached/i.test(String(error));
        if (!isElsewhere) throw error;
        this.#window.forget();
      }
      await wait(EVERY);
    }
  }

  async #turn(): Promise<void> {
    const { id: main } = await this.#window.frames();
    const followed = await this.#window.ask<Followed | null>(main, takeFollowed);
    if (followed === null) return this.#arrive(main);
    const hasChanged = followed.changes !== this.#changes && Date.now() - this.#looked > RARELY;
    if (followed.acts.length === 0 && !hasChanged) return;
    await wait(ANSWERS_WITHIN);
    const late = await this.#window.ask<Followed | null>(main, takeFollowed);
    await this.#tell([...followed.acts, ...(late?.acts ?? [])], null);
    this.#changes = late?.changes ?? followed.changes;
  }

  /** Looks at a page that has just come, once it is loaded, and follows what is done in it. */
  async #arrive(main: string): Promise<void> {
    const { page, visits } = this.#window;
    if ((await page.evaluate("document.readyState")) !== "complete") return;
    if (this.#visits >= 0 && visits !== this.#visits)
      this.#served = await this.#served.elsewhere(this.#window);
    this.#visits = visits;
    // Elements get their numbers when they are collected first.
    await this.#served.shown(this.#window);
    await this.#window.ask(main, followPeople);
    await this.#tell([], withoutSecret(page.url()));
  }

  async #tell(acts: readonly FollowedAct[], arrived: string | null): Promise<void> {
    const { documents } = await this.#served.shown(this.#window);
    this.#looked = Date.now();
    const [document] = documents;
    if (document === undefined) return;
    const { scene } = document.unit;
    const numbers = numbersIn(document);
    const regions = liveRegions({ scene, keyOf: (node) => String(numbers.of.get(node)) });
    const said = arrived === null ? announced(this.#regions, regions) : [];
    this.#regions = regions;
    if (acts.length === 0 && said.length === 0 && arrived === null) return;
    this.#onMoment({
      arrived,
      scene,
      said,
      acts: acts.map((act) => ({
        ...act,
        element: act.element === null ? null : (numbers.nodes.get(act.element) ?? null),
      })),
    });
  }
}

/** The numbers of elements, which stay the same as long as the page is open. */
function numbersIn({ unit, snapshot }: SeenDocument): {
  readonly of: ReadonlyMap<ElementNode, number>;
  readonly nodes: ReadonlyMap<number, ElementNode>;
} {
  const of = new Map<ElementNode, number>();
  const nodes = new Map<number, ElementNode>();
  for (const node of unit.scene.page.index.elements) {
    const serial: unknown = snapshot.elementOf.get(node)?.serial;
    if (typeof serial !== "number") continue;
    of.set(node, serial);
    nodes.set(serial, node);
  }
  return { of, nodes };
}
