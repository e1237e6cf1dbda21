import type { Script } from "node:vm";
import { JSDOM, VirtualConsole } from "jsdom";
import { NO, YES } from "../core/css/certainty.ts";
import type { Device } from "../core/css/device.ts";
import { evaluateMedia } from "../core/css/media.ts";
import type { AppliedSheet, Sheet } from "../core/css/sheet.ts";
import type { Document, ElementNode } from "../core/document/node.ts";
import { thrownWords } from "../core/findings/thrown-words.ts";
import { tabSequence } from "../core/focus/tab-sequence.ts";
import { isFocusable } from "../core/rendering/focusable.ts";
import { type Scene, type SceneOptions, sceneFromSource } from "../core/scene/scene.ts";
import type { Moment } from "../engine/driver.ts";
import { elementKeys, type Keys } from "../engine/element-keys.ts";
import type { LiveElement } from "../engine/live-element.ts";
import { type SheetEntry, type Snapshot, snapshotOf } from "../engine/live-snapshot.ts";
import type { Places } from "../engine/places.ts";
import { Animations } from "./animations.ts";
import { inTask, trusted } from "./browser-task.ts";
import { installChance } from "./chance.ts";
import { type AnyWindow, VirtualClock } from "./clock.ts";
import { define } from "./define.ts";
import { Doings, fragmentTarget } from "./doings.ts";
import { commit, type KeyHost, press } from "./keys.ts";
import { Listeners } from "./listeners.ts";
import { clickAlone, moveOver, type PointerHost, pointAt } from "./pointer.ts";
import { installShims, type TopLayer } from "./shims.ts";

/** What a window is opened with, and what makes it alive. */
export interface PageSource {
  /** What is shown of it: the page, or the file of a specimen. */
  readonly file: string;
  readonly kind: Document["kind"];
  readonly quirks: boolean;
  readonly html: string;
  readonly device: Device;
  readonly stylesKnown: boolean;
  /** In which colours it is judged; as a page asks where nothing is said. */
  readonly colours?: Pick<SceneOptions, "themes" | "colourSchemes" | "palette">;
  /** Stylesheets beside those in the page itself, in the order in which they hold. */
  readonly sheets: (window: AnyWindow) => readonly SheetEntry[];
  /** Stylesheets of style elements that were parsed before, by their text. */
  readonly parsed: Map<string, Sheet>;
  /** A stylesheet of the window as it was written, where its text says what it was made from. */
  readonly writtenSheet?: (text: string) => Sheet | null;
  /** Where the elements of a window were written, as it stands now. */
  readonly places: (dom: JSDOM) => Places;
  /** Whether anything in it may lead to another place; worked out from what it shows where nothing is said. */
  readonly mayLeave?: boolean;
  /** Runs the scripts, or mounts the component, in a window that is parsed. */
  readonly start: (page: LivePage) => void | Promise<void>;
  /** Tells an error with the place in source that it comes from; its own words without one. */
  readonly tellError?: (error: unknown) => string;
}

/** Widgets whose keys are the work of a script. ARIA Authoring Practices. */
const widgetsOfOnesOwn = ["slider", "tree", "menu", "menubar", "listbox", "tablist", "radiogroup", "grid"]
  .map((role) => `[role="${role}"]`)
  .join();

/** How many animations one after the other are waited for. */
const MOST_ANIMATIONS = 6;

/** Events that are told of what a key did. UI Events; HTML, "events". */
const toldEvents = [
  ...["keydown", "keypress", "beforeinput", "input", "keyup", "click", "change", "submit"],
  ...["focusout", "focusin", "cancel", "close", "toggle"],
];

/** The page as it stands between two changes, with the elements of the window. */
interface LiveMoment {
  readonly snapshot: Snapshot;
  readonly scene: Scene;
  /** Fields, and what stands in them. */
  readonly fields: readonly LiveElement[];
  readonly state: string;
  readonly moment: Moment;
}

/** One page opened in a simulated window, with its scripts run; keys and pointers act on it. */
export class LivePage {
  readonly window: AnyWindow;
  readonly problems: string[] = [];
  /** What left the page, sent a form or opened a window, in order. */
  readonly left: string[] = [];
  /** How often a script asked the network, which is not there: what would have come of it nobody knows. */
  asked = 0;
  /** Whether it came to rest when it was let settle; false where it goes on changing by itself, again and again. */
  rests = true;
  readonly #listeners = new Listeners();
  readonly #source: PageSource;
  readonly #dom: JSDOM;
  readonly #clock: VirtualClock;
  readonly #edited = new Set<LiveElement>();
  readonly #animations = new Animations();
  readonly #doings = new Doings(() => this.focused());
  readonly #keys = new WeakMap<LiveElement, string>();
  readonly #top: TopLayer = { modals: [], popovers: [], order: [], before: new Map() };
  readonly #events: string[] = [];
  #changes: { takeRecords(): readonly unknown[] } | null = null;
  #kept: LiveMoment | null = null;
  /** Where focus was last, and the order of the page then: Tab goes on from there. */
  #last: { readonly element: LiveElement; readonly order: readonly LiveElement[] } | null = null;
  #isReady = false;
  #closeWindow: () => void = () => undefined;

  private constructor(source: PageSource) {
    this.#source = source;
    this.#clock = new VirtualClock((error) => this.report(error));
    const console = new VirtualConsole();
    console.on("jsdomError", (error: Error & { readonly type?: string }) => {
      // The window's own reader of stylesheets is not asked for anything.
      if (error.type === "css-parsing") return;
      if (error.type === "not-implemented") {
        if (/navigation|submit/i.test(error.message)) this.left.push("goes to another page");
      } else this.report(error.cause ?? error);
    });
    this.#dom = new JSDOM(source.html, {
      includeNodeLocations: true,
      runScripts: "dangerously",
      pretendToBeVisual: false,
      url: "http://page.invalid/page.html",
      virtualConsole: console,
      beforeParse: (window) => this.#prepare(window),
    });
    this.window = this.#dom.window;
  }

  /** Opens a page, runs its scripts and lets them settle. */
  static async open(source: PageSource): Promise<LivePage> {
    const page = new LivePage(source);
    await source.start(page);
    await page.settle();
    page.#isReady = true;
    return page;
  }

  /** Runs a program in the window. */
  run(program: Script): unknown {
    return program.runInContext(this.#dom.getInternalVMContext());
  }

  /** Notes what went wrong in the page itself. */
  report(error: unknown): void {
    this.problems.push(this.#source.tellError?.(error) ?? thrownWords(error));
  }

  close(): void {
    this.#closeWindow();
  }

  /** Windows of frames have requests of their own: what they all go through asks nobody. */
  #refuseNetwork({ _dispatcher: dispatcher }: AnyWindow): void {
    if (dispatcher === undefined) return;
    dispatcher.dispatch = (_: unknown, handler: LiveElement) => {
      this.asked++;
      const refused = new Error("There is no network here.");
      if (typeof handler.onResponseError === "function") handler.onResponseError(null, refused);
      else handler.onError?.(refused);
      return false;
    };
  }

  #prepare(window: AnyWindow): void {
    this.#refuseNetwork(window);
    // No script closes a window that it did not open. HTML §7.2.2.1.
    this.#closeWindow = window.close.bind(window);
    define(window, "close", () => undefined);
    this.#clock.install(window);
    installChance(window);
    // Before listeners are counted: these are ours.
    // What gave focus on while it was told of it has none: it is not told twice.
    window.addEventListener(
      "focusin",
      (event: LiveElement) => {
        if (event.target !== window.document.activeElement) event.stopImmediatePropagation();
      },
      { capture: true },
    );
    for (const type of toldEvents)
      window.addEventListener(type, () => void this.#events.push(type), { capture: true });
    window.document.addEventListener("click", (event: LiveElement) => {
      this.#followInvoker(window, event);
      window.setTimeout(() => this.#followFragment(event), 0);
    });
    window.document.addEventListener("submit", (event: LiveElement) => this.#closeDialogOf(event));
    this.#doings.watch(window);
    this.#animations.watch(window);
    this.#listeners.watch(window);
    installShims(window, {
      isRendered: (element) => this.#presence(element)?.rendered !== NO,
      isVisible: (element) => this.#presence(element)?.visible !== NO,
      canTakeFocus: (element) => this.#canTakeFocus(element),
      styleValue: (element, property) => this.#styleValue(element, property),
      matchesMedia: (query) => evaluateMedia(query, this.#source.device) === YES,
      leaves: (what) => void this.left.push(what),
      pseudoClasses: this.#doings.pseudoClasses(window, this.#top),
      asksNetwork: () => void this.asked++,
      top: this.#top,
      later: (run) => window.setTimeout(run, 0),
      tick: () => this.#clock.tick(),
    });
    this.#changes = new window.MutationObserver(() => {
      this.#kept = null;
    });
    (this.#changes as LiveElement).observe(window.document, {
      attributes: true,
      childList: true,
      characterData: true,
      subtree: true,
    });
  }

  /** Whether any script listens for what people do, or a widget says that one does. */
  get isAlive(): boolean {
    return (
      this.#listeners.isAny(this.window) || this.window.document.querySelector(widgetsOfOnesOwn) !== null
    );
  }

  /** A button that opens a popover or a dialog by its attributes. HTML §6.12 and §4.10.6. */
  #followInvoker(window: AnyWindow, event: LiveElement): void {
    if (event.defaultPrevented) return;
    const button = event.target?.closest?.("[popovertarget], [commandfor]");
    if (button == null || button.disabled) return;
    const id = button.getAttribute("popovertarget") ?? button.getAttribute("commandfor");
    const target = window.document.getElementById(id);
    if (target === null) return;
    const command =
      button.getAttribute("command") ?? `${button.getAttribute("popovertargetaction") ?? "toggle"}-popover`;
    if (command === "toggle-popover") target.togglePopover();
    else if (command === "show-popover") target.showPopover();
    else if (command === "hide-popover") target.hidePopover();
    else if (command === "show-modal") target.showModal();
    else if (command === "close" || command === "request-close") target.close(button.value);
  }

  /** A link within the page gives focus to what it names, or lets Tab go on from there. HTML §7.4.6.4 and §6.6.6. */
  #followFragment(event: LiveElement): void {
    const href: string = event.target?.closest?.("a[href], area[href]")?.getAttribute("href") ?? "";
    if (event.defaultPrevented || !/^#./.test(href)) return;
    const target = fragmentTarget(this.window.document, href);
    if (target === null) return;
    if (this.#canTakeFocus(target)) return void target.focus();
    this.focused()?.blur();
    this.#last = { element: target, order: this.#order() };
  }

  /** HTML §4.10.22.3: a form with method=dialog closes its dialog and sends nothing; another one leaves the page. */
  #closeDialogOf(event: LiveElement): void {
    const form = event.target;
    if (event.defaultPrevented || form?.localName !== "form") return;
    const method = event.submitter?.getAttribute("formmethod") ?? form.getAttribute("method");
    if (method?.toLowerCase() !== "dialog") return;
    event.preventDefault();
    form.closest("dialog")?.close(event.submitter?.value ?? "");
  }

  #presence(element: LiveElement) {
    const { snapshot, scene } = this.#current();
    const node = snapshot.nodeOf.get(element);
    return node === undefined ? null : scene.presence.of(node);
  }

  #canTakeFocus(element: LiveElement): boolean {
    const { snapshot, scene } = this.#current();
    const node = snapshot.nodeOf.get(element);
    return node !== undefined && isFocusable(scene.page, scene.presence, node) !== false;
  }

  #styleValue(element: LiveElement, property: string): string {
    const { snapshot, scene } = this.#current();
    const node = snapshot.nodeOf.get(element);
    if (node === undefined) return "";
    return scene.page.styles.value(node, property)?.text ?? "";
  }

  /** What changes without the tree changing: marks, values, what lies on top. */
  #formState(fields: readonly LiveElement[]): string {
    return fields
      .map(
        (field) =>
          `${field.checked === true}${field.selected === true}${field.localName === "option" ? "" : field.value}`,
      )
      .join("\u0000")
      .concat(`|${this.#top.modals.length} ${this.#top.popovers.length}`);
  }

  #current(): LiveMoment {
    if ((this.#changes?.takeRecords().length ?? 0) > 0) this.#kept = null;
    if (this.#kept !== null && this.#kept.state === this.#formState(this.#kept.fields)) return this.#kept;
    const modal = this.#top.modals.at(-1);
    const places = this.#source.places(this.#dom);
    const snapshot = snapshotOf(this.window.document, {
      ...this.#source,
      sheets: this.#source.sheets(this.window),
      places,
      listens: (element) => (this.isSpecimen ? this.#listeners.on(element) : new Set<string>()),
      isBehind: (element) =>
        modal !== undefined &&
        !element.contains(modal) &&
        !modal.contains(element) &&
        element.localName !== "head",
      isOpenPopover: (element) => this.#top.popovers.includes(element),
    });
    const scene = sceneFromSource(snapshot.document, snapshot.sheets, {
      ...this.#source.colours,
      device: this.#source.device,
      stylesKnown: this.#source.stylesKnown,
    });
    const keys = elementKeys(
      scene,
      this.#keys,
      (node) => snapshot.elementOf.get(node),
      (node) => places.identity(snapshot.elementOf.get(node)),
    );
    const fields = [...snapshot.nodeOf].flatMap(([element, { tag }]) =>
      /^(?:input|textarea|option)$/.test(tag) ? [element] : [],
    );
    const moment = this.#momentOf(snapshot, scene, keys, places);
    this.#kept = { snapshot, scene, state: this.#formState(fields), fields, moment };
    return this.#kept;
  }

  /** The stylesheets that hold now. */
  get sheets(): readonly AppliedSheet[] {
    return this.#current().snapshot.sheets;
  }

  /** Whether it shows a specimen, which is one piece of a page that nobody knows. */
  get isSpecimen(): boolean {
    return this.#source.kind === "component";
  }

  /** The kinds of events since this was asked last, in the order in which they came. */
  takeEvents(): readonly string[] {
    return this.#events.splice(0);
  }

  get scene(): Scene {
    return this.#current().scene;
  }

  /** The page as it stands now, in the terms of what acts on it. */
  moment(): Moment {
    return this.#current().moment;
  }

  #momentOf(snapshot: Snapshot, scene: Scene, keys: Keys, places: Places): Moment {
    const elementOf = (node: ElementNode): LiveElement => snapshot.elementOf.get(node);
    const { window } = this;
    const { body } = window.document;
    const { elements } = scene.page.index;
    let stops: readonly ElementNode[] | null = null;
    return {
      scene,
      sheets: snapshot.sheets,
      // A place within the page changes nothing else of it.
      get address() {
        return String(window.location.href);
      },
      keyOf: (node) => keys.of.get(node) ?? "",
      element: (key) => keys.nodes.get(key) ?? null,
      nearest: (node) => places.nearest(elementOf(node)),
      listens: (node) => this.#listeners.on(elementOf(node)),
      hearsAllClicks: this.#listeners.areAround(window, "click"),
      answersKeys: (node) => this.#answersKeys(node === null ? body : elementOf(node)),
      isModal: (node) => this.#top.modals.includes(elementOf(node)),
      shown: () =>
        this.isSpecimen
          ? elements.filter((node) => {
              const element = elementOf(node);
              return element !== body && element !== body.firstElementChild && body.contains(element);
            })
          : elements,
      isAtTop: (node) => {
        const above = elementOf(node)?.parentElement;
        return above === body || above === body?.firstElementChild;
      },
      stops: () => {
        stops ??= tabSequence(scene).map(({ element }) => element);
        return stops;
      },
    };
  }

  /** Whether an element, or anything around it, listens for keys. */
  #answersKeys(element: LiveElement): boolean {
    const isForKeys = (type: string) => type.startsWith("key");
    for (let up = element; up !== null; up = up.parentElement)
      if ([...this.#listeners.on(up)].some(isForKeys)) return true;
    return [this.window.document, this.window].some((top) => [...this.#listeners.on(top)].some(isForKeys));
  }

  nodeOf(element: LiveElement): ElementNode | null {
    return this.#current().snapshot.nodeOf.get(element) ?? null;
  }

  elementOf(node: ElementNode): LiveElement {
    return this.#current().snapshot.elementOf.get(node) ?? null;
  }

  /** What has focus, through open shadow trees; null where only the page has it. */
  focused(): LiveElement | null {
    let focused = this.window.document.activeElement;
    while (focused?.shadowRoot?.activeElement != null) focused = focused.shadowRoot.activeElement;
    return focused === null ||
      focused === this.window.document.body ||
      focused === this.window.document.documentElement
      ? null
      : focused;
  }

  /** The places Tab stops at now, in order. */
  stops(): readonly LiveElement[] {
    const { snapshot, scene } = this.#current();
    return tabSequence(scene).flatMap(({ element }) => snapshot.elementOf.get(element) ?? []);
  }

  #order(): readonly LiveElement[] {
    const { snapshot, scene } = this.#current();
    return scene.page.index.elements.flatMap((node) => snapshot.elementOf.get(node) ?? []);
  }

  #remember(): void {
    const element = this.focused();
    if (element !== null) this.#last = { element, order: this.#order() };
  }

  #moveBy(direction: "forwards" | "backwards"): void {
    const stops = direction === "forwards" ? this.stops() : this.stops().toReversed();
    const active = this.focused();
    const from = active ?? this.#last?.element ?? null;
    const index = active === null ? -1 : stops.indexOf(active);
    const next = index >= 0 ? stops[index + 1] : this.#nextAfter(from, stops, direction);
    if (next !== undefined) this.#focusFrom(active, next);
    else {
      active?.blur();
      this.#last = null;
    }
  }

  /** What takes focus back while it goes elsewhere keeps it, as in browsers. HTML §6.6.4, "focus update steps". */
  #focusFrom(active: LiveElement | null, next: LiveElement): void {
    let isTakenBack = false;
    const note = ({ target }: LiveElement) => {
      isTakenBack ||= target === active;
    };
    this.window.document.addEventListener("focus", note, true);
    next.focus();
    this.window.document.removeEventListener("focus", note, true);
    if (isTakenBack && this.focused() === next) active?.focus();
  }

  /** The stop after something that is none, or is gone: by its place in the page. */
  #nextAfter(
    from: LiveElement | null,
    stops: readonly LiveElement[],
    direction: "forwards" | "backwards",
  ): LiveElement | undefined {
    if (from === null) return stops[0];
    const order = from.isConnected ? this.#order() : (this.#last?.order ?? []);
    const place = order.indexOf(from);
    if (place < 0) return stops[0];
    return stops.find((stop) => {
      const other = order.indexOf(stop);
      return direction === "forwards" ? other > place : other >= 0 && other < place;
    });
  }

  get #keyHost(): KeyHost {
    return {
      window: this.window,
      // A manual popover is closed by its own page alone.
      open: () => this.#top.order.filter((one) => one.getAttribute("popover") !== "manual"),
      edited: this.#edited,
      page: () => {
        const { scene, snapshot } = this.#current();
        return {
          scene,
          nodeOf: (element) => snapshot.nodeOf.get(element) ?? null,
          elementOf: (node) => snapshot.elementOf.get(node) ?? null,
        };
      },
      focused: () => this.focused(),
      moveBy: (direction) => this.#moveBy(direction),
    };
  }

  get #pointerHost(): PointerHost {
    return {
      window: this.window,
      styleValue: (element, property) => this.#styleValue(element, property),
      isInert: (element) => this.#presence(element)?.inert === true,
      canTakeFocus: (element) => this.#canTakeFocus(element),
      isPressedTwice: (element) => this.#listeners.on(element).has("dblclick"),
      focus: (element) => this.#focusByPointer(element),
      hold: (element) => {
        this.#doings.held = element;
      },
    };
  }

  /** Presses a key and lets the page settle. */
  async press(key: string): Promise<void> {
    this.#remember();
    this.#doings.isPointed = false;
    await this.#act(() => press(this.#keyHost, key), this.#mayLeave());
  }

  /** Presses on an element with a pointer; twice where it listens for that. */
  async point(element: LiveElement): Promise<void> {
    this.#remember();
    this.#doings.isPointed = true;
    await this.#act(() => pointAt(this.#pointerHost, element), this.#mayLeave());
  }

  /** Clicks an element without a pointer, as assistive technology does. */
  async click(element: LiveElement): Promise<void> {
    this.#remember();
    await this.#act(() => clickAlone(this.#pointerHost, element), this.#mayLeave());
  }

  /** Moves a pointer over an element. */
  async hover(element: LiveElement): Promise<void> {
    this.#doings.hovered = element;
    await this.#act(() => moveOver(this.#pointerHost, element));
  }

  /** Tells that the page was scrolled: nothing is laid out here, and all is in view. CSSOM View 1, "scroll". */
  async scroll(): Promise<void> {
    const { document, Event } = this.window;
    await this.#act(() => {
      for (const type of ["scroll", "scrollend"])
        document.dispatchEvent(trusted(new Event(type, { bubbles: true })));
    });
  }

  /** Does what a person or the browser does, and lets the page settle. */
  async #act(run: () => void, mayLeave?: boolean): Promise<void> {
    await inTask(() => this.#listeners.asBrowser(run));
    await this.settle(mayLeave);
  }

  #focusByPointer(element: LiveElement | null): void {
    const before = this.focused();
    if (before !== element) commit(this.#keyHost, before);
    if (element === null) before?.blur();
    else element.focus();
  }

  /**
   * Of a specimen only a link or a form leads elsewhere, and only details tell late that they opened: a turn of the real
   * clock is long for one key.
   */
  #mayLeave(): boolean {
    if (this.#source.mayLeave !== undefined) return this.#source.mayLeave;
    const { nodeOf } = this.#current().snapshot;
    for (const { tag } of nodeOf.values()) if (/^(?:a|form|details)$/.test(tag)) return true;
    return false;
  }

  /** Takes focus away from whatever has it, as if nobody had been here. */
  async rest(): Promise<void> {
    this.focused()?.blur();
    this.#last = null;
    await this.settle();
  }

  /** @param goesElsewhere whether what was done may lead to another place of the page */
  async settle(goesElsewhere = this.#source.mayLeave ?? false): Promise<void> {
    let rests = await this.#clock.settle(goesElsewhere);
    for (let turn = 0; turn < MOST_ANIMATIONS && (await this.#endAnimations()); turn++)
      rests = await this.#clock.settle(false);
    this.#rested(rests);
  }

  #endAnimations(): Promise<boolean> {
    const styleOf = (element: LiveElement, property: string) => this.#styleValue(element, property);
    return inTask(() => this.#animations.end(this.window, styleOf));
  }

  /** Lets a second go by while nobody does anything. */
  async pass(): Promise<void> {
    this.#rested(await this.#clock.pass(this.#source.mayLeave ?? false));
  }

  #rested(rests: boolean): void {
    this.rests = rests;
    // What is gone from the page cannot keep focus. HTML §6.6.4, "focus fixup".
    const active = this.focused();
    if (active !== null && this.#isReady && !this.#canTakeFocus(active)) active.blur();
  }
}
