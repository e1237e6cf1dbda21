import type { ElementNode } from "../core/document/node.ts";
import { tabSequence } from "../core/focus/tab-sequence.ts";
import type { Driver, FocusEyes, Happenings, Moment } from "../engine/driver.ts";
import { elementKeys } from "../engine/element-keys.ts";
import { byPeople } from "../engine/events-by-people.ts";
import type { ActedWindow } from "./acted-window.ts";
import { PicturedFocus } from "./focus-eyes.ts";
import { clickElement, focusElement, showElement } from "./inside/acts.ts";
import { isReady } from "./ready.ts";
import { numberOf, type SeenDocument, type ServedPage } from "./seen-page.ts";

/** How many seconds a page has that must show something before anything is done with it. */
const MOST_TURNS = 20;

/** The page at one moment, with what acting on it needs. */
interface SeenMoment {
  readonly state: string;
  readonly moment: Moment;
  readonly document: SeenDocument;
  /** The element that has a number for as long as its window lives. */
  readonly bySerial: ReadonlyMap<number, ElementNode>;
}

/** A page in a browser as explorer and walk scripts know it. */
export class BrowserDriver implements Driver {
  readonly eyes: FocusEyes;
  readonly #acted: ActedWindow;
  #served: ServedPage;
  #arrivals = 0;
  readonly #onClose: () => Promise<void>;
  readonly #keys = new Map<number, string>();
  #kept: SeenMoment | null = null;
  #isAlive = false;
  /** Whether focus was somewhere before: from nowhere Tab would go on from there. */
  #isStale = false;

  private constructor(acted: ActedWindow, served: ServedPage, onClose: () => Promise<void>) {
    this.#acted = acted;
    this.#served = served;
    this.#onClose = onClose;
    this.eyes = new PicturedFocus(acted, served.device, (serial) => this.#keyOf(serial));
  }

  /** Opens the page anew in a window. */
  static async open(
    acted: ActedWindow,
    served: ServedPage,
    onClose: () => Promise<void>,
  ): Promise<BrowserDriver> {
    const driver = new BrowserDriver(acted, served, onClose);
    await acted.open();
    driver.#arrivals = acted.arrivals;
    let { document } = await driver.#current();
    const { readyWhen } = served;
    for (let turn = 0; readyWhen !== null && turn < MOST_TURNS; turn++) {
      if (isReady(document.unit.scene, readyWhen)) break;
      await acted.wait();
      ({ document } = await driver.#current());
    }
    // Elements go by numbers from now on: that which has focus is told of.
    await acted.look();
    const heard = [...document.snapshot.nodeOf.keys()].flatMap((live) => [...(live.heardByAny ?? [])]);
    driver.#isAlive = [...heard, ...document.heardAround].some((type) => byPeople.test(type));
    return driver;
  }

  get rests(): boolean {
    return this.#acted.rests;
  }

  get isAlive(): boolean {
    return this.#isAlive;
  }

  get isHeld(): boolean {
    return this.#acted.isHeld;
  }

  get isScripted(): boolean {
    return this.#isAlive;
  }

  async moment(): Promise<Moment> {
    return (await this.#current()).moment;
  }

  async happenings(): Promise<Happenings> {
    const { left, held, problems, window } = this.#acted;
    const { unanswered } = window;
    const asked = held.length + unanswered;
    return { left: [...left], asked, unanswered, held: [...held], problems: [...problems] };
  }

  async takeEvents(): Promise<readonly string[]> {
    return this.#acted.takeEvents();
  }

  async focused(): Promise<string | null> {
    const { focused } = this.#acted.now;
    return focused === null ? null : this.#keyOf(focused);
  }

  async #keyOf(serial: number): Promise<string | null> {
    const { bySerial, moment } = await this.#current();
    const node = bySerial.get(serial);
    return node === undefined ? null : moment.keyOf(node);
  }

  async press(key: string): Promise<void> {
    if (this.#isStale && /(?:^|\+)Tab$/.test(key) && this.#acted.now.focused === null) {
      await this.#acted.open();
      this.#arrivals = this.#acted.arrivals;
      this.#kept = null;
      this.#keys.clear();
      await this.#current();
    }
    this.#isStale = false;
    await this.#acted.press(key);
  }

  async point(key: string): Promise<void> {
    const { element, listens } = await this.moment();
    const node = element(key);
    const isTwice = node !== null && listens(node).has("dblclick");
    await this.#on(key, (number) => this.#acted.point(number, isTwice));
  }

  click(key: string): Promise<void> {
    return this.#on(key, (number) => this.#acted.act(clickElement, number));
  }

  hover(key: string): Promise<void> {
    return this.#on(key, (number) => this.#acted.hover(number));
  }

  scrollTo(key: string): Promise<void> {
    return this.#on(key, (number) => this.#acted.act(showElement, number));
  }

  focus(key: string): Promise<void> {
    return this.#on(key, (number) => this.#acted.act(focusElement, number));
  }

  settle(): Promise<void> {
    return this.#acted.settle();
  }

  wait(): Promise<void> {
    return this.#acted.wait();
  }

  goTo(address: string): Promise<string | null> {
    return this.#acted.goTo(address);
  }

  async resize(width: number, height: number): Promise<void> {
    await this.#acted.resize(width, height);
    this.#kept = null;
  }

  async rest(): Promise<void> {
    this.#isStale = true;
    await this.#acted.leave();
  }

  close(): Promise<void> {
    return this.#onClose();
  }

  async #on(key: string, act: (number: number) => Promise<void>): Promise<void> {
    const { moment, document } = await this.#current();
    const node = moment.element(key);
    const number = node === null ? null : numberOf(document.snapshot, node);
    if (number !== null) await act(number);
  }

  async #current(): Promise<SeenMoment> {
    if (this.#arrivals !== this.#acted.arrivals) {
      // Another page: nothing of the one before is in it.
      this.#arrivals = this.#acted.arrivals;
      this.#kept = null;
      this.#keys.clear();
      this.#served = await this.#served.elsewhere(this.#acted.window);
    }
    const { state } = this.#acted.now;
    if (this.#kept?.state === state) return this.#kept;
    const { documents } = await this.#served.shown(this.#acted.window);
    const [document] = documents;
    if (document === undefined) throw new Error("the page has no document");
    this.#kept = this.#momentOf(document, state);
    return this.#kept;
  }

  #momentOf(document: SeenDocument, state: string): SeenMoment {
    const { snapshot, places, heardAround, unit } = document;
    const { scene, sheets } = unit;
    const live = (node: ElementNode) => snapshot.elementOf.get(node);
    const keys = elementKeys<number>(
      scene,
      this.#keys,
      (node) => live(node)?.serial ?? -1,
      (node) => places.identity(live(node)),
    );
    const { elements, flatParent } = scene.page.index;
    const listens = (node: ElementNode): ReadonlySet<string> =>
      new Set([...(live(node)?.heardByAny ?? []), ...(node.listeners === "unknown" ? [] : node.listeners)]);
    const isForKeys = (type: string) => type.startsWith("key");
    const around = new Set([
      ...heardAround,
      ...elements.flatMap((node) => (/^(?:html|body)$/.test(node.tag) ? [...listens(node)] : [])),
    ]);
    const acted = this.#acted;
    let stops: readonly ElementNode[] | null = null;
    const moment: Moment = {
      scene,
      sheets,
      get address() {
        return acted.now.address;
      },
      keyOf: (node) => keys.of.get(node) ?? "",
      element: (key) => keys.nodes.get(key) ?? null,
      nearest: (node) => places.nearest(live(node)),
      listens,
      hearsAllClicks: around.has("click"),
      answersKeys(node) {
        for (let up = node; up !== null; up = flatParent(up))
          if ([...listens(up)].some(isForKeys)) return true;
        return [...around].some(isForKeys);
      },
      isModal: (node) => live(node)?.isModal === true,
      shown: () => elements,
      isAtTop: (node) => scene.page.index.parent(node)?.tag === "body",
      stops() {
        stops ??= tabSequence(scene).map(({ element }) => element);
        return stops;
      },
    };
    const bySerial = new Map(elements.map((node) => [live(node)?.serial as number, node]));
    return { state, moment, document, bySerial };
  }
}
