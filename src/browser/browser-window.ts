import type { BrowserContext, CDPSession, HTTPResponse, Page } from "puppeteer-core";
import type { Device } from "../core/css/device.ts";
import { numberOfElement } from "./inside.ts";

/** How large a window is, and how finely it is drawn. */
export interface WindowSize {
  readonly width: number;
  readonly height: number;
  readonly scale: number;
}

/** A text that was served, by the address it has in the end. */
export interface ServedText {
  readonly address: string;
  readonly text: string;
  readonly type: string;
}

/** An argument as the protocol takes it. */
export type Argument = { readonly value: unknown } | { readonly objectId: string };

/** Why a page could not be opened, in words. */
export class NotOpened extends Error {}

/** The longest text that is kept of what is served, in characters. */
const MOST_TEXT = 20_000_000;

/** A page in a context of its own, asked from a world that its scripts do not see. */
export class BrowserWindow {
  readonly page: Page;
  readonly session: CDPSession;
  readonly #context: BrowserContext;
  readonly #texts = new Map<string, Promise<ServedText | null>>();
  readonly #failed: string[] = [];
  readonly #worlds = new Map<string, number>();
  #document: HTTPResponse | null = null;
  #underWay = 0;

  private constructor(context: BrowserContext, page: Page, session: CDPSession) {
    this.#context = context;
    this.page = page;
    this.session = session;
  }

  static async open(context: BrowserContext, device: Device): Promise<BrowserWindow> {
    const page = await context.newPage();
    const session = await page.createCDPSession();
    const window = new BrowserWindow(context, page, session);
    await session.send("Page.enable");
    // Windows beside one another are each seen and have focus, or their timers and what waits to be seen would stand still.
    await session.send("Emulation.setFocusEmulationEnabled", { enabled: true });
    await window.resize({ width: device.width, height: device.height, scale: 1 });
    await session.send("Emulation.setEmulatedMedia", {
      features: [
        { name: "prefers-color-scheme", value: device.colourScheme },
        { name: "prefers-reduced-motion", value: device.reducedMotion ? "reduce" : "no-preference" },
      ],
    });
    if (!device.finePointer)
      await session.send("Emulation.setTouchEmulationEnabled", { enabled: true, maxTouchPoints: 1 });
    page.on("dialog", (dialog) => void dialog.dismiss().catch(() => undefined));
    page.on("popup", (popup) => void popup?.close().catch(() => undefined));
    page.on("request", () => void window.#underWay++);
    page.on("requestfinished", () => void window.#underWay--);
    page.on("requestfailed", (request) => {
      window.#underWay--;
      if (/^(?:stylesheet|script|document)$/.test(request.resourceType())) window.#failed.push(request.url());
    });
    page.on("response", (response) => window.#note(response));
    return window;
  }

  /** Texts that style and mark up: pages and stylesheets, as they were served. */
  #note(response: HTTPResponse): void {
    const request = response.request();
    if (!/^(?:stylesheet|document)$/.test(request.resourceType())) return;
    const address = response.url();
    const status = response.status();
    if (status >= 300 && status < 400) return;
    const type = response.headers()["content-type"] ?? "";
    this.#texts.set(
      address,
      response.text().then(
        (text) => (text.length > MOST_TEXT ? null : { address, text, type }),
        () => null,
      ),
    );
    if (request.isNavigationRequest() && request.frame() === this.page.mainFrame()) this.#document = response;
  }

  /**
   * Opens an address and waits until the page is loaded.
   * @param milliseconds how long that may take
   * @throws NotOpened where there is no page to look at
   */
  async goTo(
    address: string,
    milliseconds: number,
  ): Promise<{ readonly status: number; readonly text: string }> {
    try {
      await this.page.goto(address, { waitUntil: "load", timeout: milliseconds });
    } catch (error) {
      const message = error instanceof Error ? error.message : String(error);
      // What loads too slowly is judged as it stands once its document is there.
      if (!/timeout/i.test(message) || this.#document === null) throw new NotOpened(message);
    }
    const served = this.#document === null ? null : await this.#texts.get(this.#document.url());
    if (this.#document === null || served == null) throw new NotOpened("nothing was served");
    return { status: this.#document.status(), text: served.text };
  }

  /** The type that the page was served as. */
  get type(): string {
    return this.#document?.headers()["content-type"] ?? "";
  }

  /** What was served at an address; null where nothing was. */
  async served(address: string): Promise<ServedText | null> {
    return (await this.#texts.get(address)) ?? null;
  }

  /** Every text that was served. */
  async texts(): Promise<readonly ServedText[]> {
    return (await Promise.all(this.#texts.values())).filter((text) => text !== null);
  }

  get isLoading(): boolean {
    return this.#underWay > 0;
  }

  async resize({ width, height, scale }: WindowSize): Promise<void> {
    await this.session.send("Emulation.setDeviceMetricsOverride", {
      width,
      height,
      deviceScaleFactor: scale,
      mobile: false,
    });
  }

  /** Runs one of our functions in a world of its own in a frame, and gives what it answers in JSON. */
  async ask<T>(
    frame: string,
    run: (...args: never[]) => string | Promise<string>,
    args: readonly Argument[] = [],
  ): Promise<T> {
    const { result, exceptionDetails } = await this.session.send("Runtime.callFunctionOn", {
      functionDeclaration: run.toString(),
      executionContextId: await this.#world(frame),
      arguments: [...args],
      returnByValue: true,
      awaitPromise: true,
    });
    if (exceptionDetails !== undefined)
      throw new Error(exceptionDetails.exception?.description ?? exceptionDetails.text);
    return JSON.parse(String(result.value)) as T;
  }

  /** An object of the document as an argument in our world. */
  async argument(frame: string, backendNodeId: number): Promise<Argument> {
    const { object } = await this.session.send("DOM.resolveNode", {
      backendNodeId,
      executionContextId: await this.#world(frame),
    });
    return { objectId: object.objectId ?? "" };
  }

  /** The number that an element of a frame was collected by; null for one that was not. */
  async numberOf(frame: string, backendNodeId: number): Promise<number | null> {
    const number = await this.ask<number>(frame, numberOfElement, [
      await this.argument(frame, backendNodeId),
    ]);
    return number < 0 ? null : number;
  }

  /** The kinds of events that are listened for on the elements of a document, by their numbers. */
  async listeners(frame: string, backendNodeId: number): Promise<ReadonlyMap<number, ReadonlySet<string>>> {
    const { objectId = "" } = (await this.argument(frame, backendNodeId)) as { readonly objectId?: string };
    const { listeners } = await this.session.send("DOMDebugger.getEventListeners", { objectId, depth: -1 });
    const byNode = new Map<number, Set<string>>();
    for (const { type, backendNodeId: node } of listeners)
      if (node !== undefined) byNode.set(node, (byNode.get(node) ?? new Set()).add(type));
    const found = new Map<number, ReadonlySet<string>>();
    for (const [node, types] of byNode) {
      const number = await this.numberOf(frame, node).catch(() => null);
      if (number !== null) found.set(number, types);
    }
    return found;
  }

  async #world(frameId: string): Promise<number> {
    let world = this.#worlds.get(frameId);
    if (world === undefined) {
      const made = await this.session.send("Page.createIsolatedWorld", { frameId, worldName: "keel" });
      world = made.executionContextId;
      this.#worlds.set(frameId, world);
    }
    return world;
  }

  async mainFrame(): Promise<string> {
    const { frameTree } = await this.session.send("Page.getFrameTree");
    return frameTree.frame.id;
  }

  /** Forgets the worlds: a page that went elsewhere has others. */
  forgetWorlds(): void {
    this.#worlds.clear();
  }

  async close(): Promise<void> {
    await this.#context.close().catch(() => undefined);
  }
}
