import type {
  BrowserContext,
  CDPSession,
  Cookie,
  Dialog,
  HTTPRequest,
  HTTPResponse,
  Page,
} from "puppeteer-core";
import type { Device } from "../core/css/device.ts";
import { decodeText } from "../readers/html/decode.ts";
import type { BrowserPlan } from "../settings/plan.ts";
import { numbersOfElements } from "./inside/collect.ts";

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
}

/** An argument as the protocol takes it. */
export type Argument = { readonly value: unknown } | { readonly objectId: string };

/** A frame with those in it, as the protocol names them. */
export interface Frame {
  readonly id: string;
  readonly children: readonly Frame[];
}

/** A request that somebody may keep from being made. */
export interface HeldRequest {
  readonly method: string;
  readonly address: string;
  /** Whether it is for the page itself: another one would take its place. */
  readonly isPage: boolean;
}

/** What is listened for on an element. */
export interface Heard {
  readonly types: ReadonlySet<string>;
  /** Whether the pointer becomes a hand over it, and not over what is around it: it asks to be clicked. */
  readonly isPointed: boolean;
}

/** Why a page could not be opened, in words. */
export class NotOpened extends Error {}

/** The page that was open has gone to another by itself. */
export class WentElsewhere extends Error {}

const refreshes = /<meta\b[^>]*\bhttp-equiv\s*=\s*["']?refresh/i;

/** What the protocol says of a document that is no longer there. */
const isGone =
  /context was destroyed|Cannot find context|context with specified id|No frame (?:for|with) given id|Promise was collected|target navigated/i;

/** The longest text that is kept of what is served, in characters. */
const MOST_TEXT = 20_000_000;

/** How many kinds of events somebody listens for on one element. */
const MOST_KINDS = 30;

/** A page in a context of its own, asked from a world that its scripts do not see. */
export class BrowserWindow {
  readonly page: Page;
  readonly session: CDPSession;
  /** How often nobody answered what was asked: what would have come of it nobody knows. */
  unanswered = 0;
  readonly #context: BrowserContext;
  readonly #texts = new Map<string, Promise<ServedText | null>>();
  /** Addresses of stylesheets that were named and not served. */
  readonly unserved = new Set<string>();
  /** Addresses of scripts and fonts that were named and not served. */
  readonly missing = new Set<string>();
  readonly #worlds = new Map<string, number>();
  #document: HTTPResponse | null = null;
  #underWay = 0;
  #page: { readonly text: string } | null = null;
  /** How many pages were open in it so far. */
  visits = 0;
  /** What becomes of a dialog that a script opens. */
  onDialog: (dialog: Dialog) => Promise<void> = (dialog) => dialog.dismiss();
  #holds: (request: HeldRequest) => boolean = () => false;
  #headers: ReadonlyMap<string, string> = new Map();
  #origin: string | null = null;

  private constructor(context: BrowserContext, page: Page, session: CDPSession) {
    this.#context = context;
    this.page = page;
    this.session = session;
  }

  static async open(
    context: BrowserContext,
    device: Device,
    { forcesColours, headers }: Pick<BrowserPlan, "forcesColours" | "headers">,
    origin: string | null,
  ): Promise<BrowserWindow> {
    const page = await context.newPage();
    const session = await page.createCDPSession();
    const window = new BrowserWindow(context, page, session);
    await session.send("Page.enable");
    // Windows beside one another are each seen and have focus, or their timers and what waits to be seen would stand still.
    await session.send("Emulation.setFocusEmulationEnabled", { enabled: true });
    await window.resize({ width: device.width, height: device.height, scale: 1 });
    // What nobody has clicked for opens no window in people's browsers either: a dialog in one would hold up this page.
    await session.send("Page.addScriptToEvaluateOnNewDocument", { source: "window.open = () => null" });
    await session.send("Emulation.setEmulatedMedia", {
      features: [
        { name: "prefers-color-scheme", value: device.colourScheme },
        { name: "forced-colors", value: forcesColours ? "active" : "none" },
        { name: "prefers-reduced-motion", value: device.reducedMotion ? "reduce" : "no-preference" },
      ],
    });
    if (!device.finePointer)
      await session.send("Emulation.setTouchEmulationEnabled", { enabled: true, maxTouchPoints: 1 });
    window.#headers = headers;
    window.#origin = origin;
    await window.#keepPages();
    page.on("dialog", (dialog) => void window.onDialog(dialog).catch(() => undefined));
    page.on("request", () => void window.#underWay++);
    page.on("requestfinished", () => void window.#underWay--);
    page.on("requestfailed", (request) => {
      window.#underWay--;
      window.#lacks(request);
      if (!/ERR_(?:ABORTED|FAILED)$/.test(request.failure()?.errorText ?? "")) window.unanswered++;
    });
    page.on("response", (response) => window.#note(response));
    return window;
  }

  /**
   * Keeps the text of pages before their scripts run. A page that a refresh would take away is looked at as it stands:
   * where its script leads elsewhere it is followed. HTML §4.2.5.3, "shared declarative refresh steps".
   */
  async #keepPages(): Promise<void> {
    const { id: main } = await this.frames();
    const headers = this.#headers;
    const origin = this.#origin;
    this.session.on(
      "Fetch.requestPaused",
      ({ requestId, frameId, request, resourceType, responseStatusCode }) => {
        const decide = async () => {
          if (responseStatusCode === undefined) {
            const isPage = resourceType === "Document" && frameId === main;
            if (this.#holds({ method: request.method, address: request.url, isPage })) {
              const errorReason = isPage ? "Aborted" : "Failed";
              await this.session.send("Fetch.failRequest", { requestId, errorReason });
              return;
            }
            // Secrets go to the site that they are for, and to nobody else.
            const own = new URL(request.url).origin === origin ? [...headers] : [];
            const all = [...Object.entries(request.headers), ...own];
            await this.session.send("Fetch.continueRequest", {
              requestId,
              headers: all.map(([name, value]) => ({ name, value })),
            });
            return;
          }
          if (frameId === main && this.#page !== null && refreshes.test(this.#page.text)) {
            await this.session.send("Fetch.failRequest", { requestId, errorReason: "Aborted" });
            return;
          }
          if (responseStatusCode >= 200 && (responseStatusCode < 300 || responseStatusCode >= 400)) {
            const body = await this.session.send("Fetch.getResponseBody", { requestId }).catch(() => null);
            const bytes =
              body === null ? null : Buffer.from(body.body, body.base64Encoded ? "base64" : "utf8");
            const decoded = bytes === null ? null : decodeText(bytes, request.url, "html");
            const text =
              decoded?.ok === true && bytes !== null && bytes.length < MOST_TEXT ? decoded.value.text : "";
            this.#texts.set(request.url, Promise.resolve({ address: request.url, text }));
            if (frameId === main) {
              this.#page = { text };
              this.visits++;
            }
          }
          await this.session.send("Fetch.continueResponse", { requestId });
        };
        decide().catch(() => undefined);
      },
    );
    await this.#pauseAt(headers.size > 0 && origin !== null ? `${origin}/*` : null);
  }

  async #pauseAt(requests: string | null): Promise<void> {
    await this.session.send("Fetch.enable", {
      patterns: [
        { resourceType: "Document", requestStage: "Response" },
        ...(requests === null ? [] : [{ urlPattern: requests, requestStage: "Request" as const }]),
      ],
    });
  }

  /**
   * Keeps requests from being made.
   * @param program what is to run before the scripts of each page
   */
  async hold(holds: (request: HeldRequest) => boolean, program: string): Promise<void> {
    this.#holds = holds;
    await this.session.send("Page.addScriptToEvaluateOnNewDocument", { source: program });
    await this.#pauseAt("*");
  }

  /** Opens an address whose page may be open already, without waiting for it to be loaded. */
  async openAnew(address: string): Promise<void> {
    this.#worlds.clear();
    this.#page = null;
    // To a place within the page that is open it would only be scrolled.
    if (address.includes("#") || this.page.url().includes("#"))
      await this.session.send("Page.navigate", { url: "about:blank" });
    const { errorText } = await this.session.send("Page.navigate", { url: address });
    this.#worlds.clear();
    if (errorText !== undefined && errorText !== "") throw new NotOpened(errorText);
  }

  #lacks(request: HTTPRequest): void {
    const type = request.resourceType();
    if (type === "stylesheet") this.unserved.add(request.url());
    if (type === "script" || type === "font") this.missing.add(request.url());
  }

  /** Texts that style and mark up: pages and stylesheets, as they were served. */
  #note(response: HTTPResponse): void {
    const request = response.request();
    if (request.isNavigationRequest() && request.frame() === this.page.mainFrame()) this.#document = response;
    const address = response.url();
    const status = response.status();
    if (status >= 400) this.#lacks(request);
    if (request.resourceType() !== "stylesheet" || (status >= 300 && status < 400)) return;
    this.#texts.set(
      address,
      response.text().then(
        (text) => (text.length > MOST_TEXT ? null : { address, text }),
        () => null,
      ),
    );
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
      if (!/timeout/i.test(message)) throw new NotOpened(message);
      if (this.#document === null)
        throw new NotOpened(`nothing answered within ${Math.round(milliseconds / 1000)} seconds`);
    }
    return this.opened();
  }

  /** What the page that is open now was served as. */
  opened(): { readonly status: number; readonly text: string } {
    if (this.#document === null || this.#page === null) throw new NotOpened("nothing was served");
    return { status: this.#document.status(), text: this.#page.text };
  }

  /** Forgets the worlds of a page that is no longer open. */
  forget(): void {
    this.#worlds.clear();
  }

  /** Waits until a page that went elsewhere by itself is there, and forgets what was known of the one before. */
  async follow(milliseconds: number): Promise<void> {
    this.#worlds.clear();
    await this.page
      .waitForFunction(() => document.readyState === "complete", { timeout: milliseconds })
      .catch(() => undefined);
    this.#worlds.clear();
  }

  /** The type that the page was served as. */
  get type(): string {
    return this.#document?.headers()["content-type"] ?? "";
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
    const { result, exceptionDetails } = await this.session
      .send("Runtime.callFunctionOn", {
        functionDeclaration: run.toString(),
        executionContextId: await this.#world(frame),
        arguments: [...args],
        returnByValue: true,
        awaitPromise: true,
      })
      .catch((error: unknown) => {
        throw isGone.test(String(error)) ? new WentElsewhere() : error;
      });
    if (exceptionDetails !== undefined)
      throw new Error(exceptionDetails.exception?.description ?? exceptionDetails.text);
    return JSON.parse(String(result.value)) as T;
  }

  /** Runs one of our functions among the scripts of the page; null where they keep it from answering. */
  async askAmongScripts(run: () => string): Promise<unknown> {
    const { result } = await this.session.send("Runtime.evaluate", {
      expression: `(${run.toString()})()`,
      returnByValue: true,
    });
    try {
      return JSON.parse(String(result.value));
    } catch {
      return null;
    }
  }

  /** An object of the document as an argument in our world. */
  async argument(frame: string, backendNodeId: number): Promise<Argument> {
    const { object } = await this.session.send("DOM.resolveNode", {
      backendNodeId,
      executionContextId: await this.#world(frame),
    });
    return { objectId: object.objectId ?? "" };
  }

  /** The number of the element that shows a frame, in the document around it; null for one that was not collected. */
  async ownerOf(frameId: string, around: string): Promise<number | null> {
    const { backendNodeId } = await this.session.send("DOM.getFrameOwner", { frameId });
    const [[number] = [-1]] = await this.#numbersOf(around, [backendNodeId]);
    return number < 0 ? null : number;
  }

  /** Hosts and their closed shadow roots in turn, in the page itself. */
  async closedRoots(): Promise<readonly number[]> {
    // Each node by itself: deep trees are more than the protocol takes.
    await this.session.send("DOM.enable");
    const { nodes } = await this.session.send("DOM.getFlattenedDocument", { depth: -1, pierce: true });
    await this.session.send("DOM.disable");
    return nodes.flatMap(({ backendNodeId, shadowRoots = [] }) =>
      shadowRoots
        .filter(({ shadowRootType }) => shadowRootType === "closed")
        .flatMap((root) => [backendNodeId, root.backendNodeId]),
    );
  }

  /** The kinds of events that are listened for on the elements of the page, by their numbers, and around all of them. */
  async listeners(frame: string): Promise<{
    readonly listeners: ReadonlyMap<number, Heard>;
    readonly around: ReadonlySet<string>;
  }> {
    // A world of our own knows its own listeners alone: the page is asked for its document.
    const heardOn = async (expression: string, depth: number) => {
      const { result } = await this.session.send("Runtime.evaluate", { expression });
      const objectId = result.objectId ?? "";
      return (await this.session.send("DOMDebugger.getEventListeners", { objectId, depth })).listeners;
    };
    const [listeners, ...around] = await Promise.all([
      heardOn("document", -1),
      heardOn("window", 1),
      heardOn("document", 1),
    ]);
    const types = new Map<number, Set<string>>();
    for (const { type, backendNodeId } of listeners)
      if (backendNodeId !== undefined)
        types.set(backendNodeId, (types.get(backendNodeId) ?? new Set()).add(type));
    // What listens for nearly everything is a framework that hands events out: it says nothing of the element itself.
    for (const [node, kinds] of types) if (kinds.size > MOST_KINDS) types.delete(node);
    const nodes = [...types.keys()];
    const numbers = await this.#numbersOf(frame, nodes);
    return {
      listeners: new Map(
        numbers.map(([number, isPointed], i) => [
          number,
          { types: types.get(nodes[i] ?? -1) ?? new Set<string>(), isPointed },
        ]),
      ),
      around: new Set(around.flat().map(({ type }) => type)),
    };
  }

  /** The numbers that elements of a frame were collected by, -1 for one that was not, and whether a hand points at them. */
  async #numbersOf(
    frame: string,
    nodes: readonly number[],
  ): Promise<readonly (readonly [number, boolean])[]> {
    if (nodes.length === 0) return [];
    const args = await Promise.all(
      nodes.map((node) => this.argument(frame, node).catch((): Argument => ({ value: null }))),
    );
    return this.ask<readonly (readonly [number, boolean])[]>(frame, numbersOfElements, args);
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

  async frames(): Promise<Frame> {
    const { frameTree } = await this.session.send("Page.getFrameTree");
    const frameOf = ({ frame, childFrames = [] }: typeof frameTree): Frame => ({
      id: frame.id,
      children: childFrames.map(frameOf),
    });
    return frameOf(frameTree);
  }

  /** The cookies of its context. */
  cookies(): Promise<readonly Cookie[]> {
    return this.#context.cookies();
  }

  async close(): Promise<void> {
    await this.#context.close().catch(() => undefined);
  }
}
