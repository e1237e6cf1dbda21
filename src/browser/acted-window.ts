import { randomBytes } from "node:crypto";
import type { KeyInput } from "puppeteer-core";
import { thrownWords } from "../core/findings/thrown-words.ts";
import { keyPressOf } from "../core/keyboard/named-keys.ts";
import type { BrowserWindow, HeldRequest } from "./browser-window.ts";
import {
  endAnimations,
  holdOutside,
  isInParts,
  isWatched,
  leaveFocus,
  lookNow,
  type Now,
  placeToPress,
  storeAgain,
  storedNow,
  watchWindow,
} from "./inside/acts.ts";

/** How far time goes on after an act, and while a key is held down. Milliseconds of the page. */
const A_SECOND = 1000;
const HELD_DOWN = 50;

/** How far it goes on before anything is done in a page: what comes by a timer is there. */
const AT_FIRST = 2000;

/** How long a page may take over it on the clock on the wall, with requests under way and then without. Milliseconds. */
const PATIENCE = 4000;

/** How many pages lead to another by themselves at most. */
const MOST_ARRIVALS = 5;

/** How many animations one after the other are waited for. */
const MOST_ANIMATIONS = 6;

/** How many parts something has at most that is one stop of Tab. */
const MOST_PARTS = 60;

/** Events that are told of what was done. UI Events; HTML, "events". */
const toldEvents = [
  ...["keydown", "keypress", "beforeinput", "input", "keyup", "click", "change", "submit"],
  ...["focusout", "focusin", "cancel", "close", "toggle"],
];

/** What is acted in, and how. */
export interface ActingIn {
  readonly address: string;
  /** Whether what scripts send is sent. */
  readonly letsSend: boolean;
  /** An error of a script in words. */
  readonly tellError?: (error: unknown) => string;
}

/**
 * A window in which somebody acts. Its time stands still between two acts, so that nothing changes while it is looked at, and
 * goes on as far as a person would wait; nothing that is done in it leaves it.
 */
export class ActedWindow {
  readonly window: BrowserWindow;
  /** What left the page, sent a form or opened a window, in order. */
  readonly left: string[] = [];
  /** What a script wanted to send, or asked a person in a dialog: what would have come of it nobody knows. */
  readonly held: string[] = [];
  readonly problems: string[] = [];
  /** Whether it came to rest when it was let settle last. */
  rests = true;
  /** Whether nothing that is done in it leaves it. */
  readonly isHeld: boolean;
  readonly #address: string;
  readonly #secret = randomBytes(8).toString("hex");
  readonly #events: string[] = [];
  #main = "";
  #now: Now = { state: "", focused: null, address: "", events: [], told: [] };
  #stored: readonly [unknown, unknown] | null = null;
  #isOpening = false;
  #visits = 0;
  /** How often it went to another page since it was made. */
  arrivals = 0;

  private constructor(window: BrowserWindow, address: string, isHeld: boolean) {
    this.window = window;
    this.isHeld = isHeld;
    this.#address = address;
  }

  static async of(
    window: BrowserWindow,
    { address, letsSend, tellError = thrownWords }: ActingIn,
  ): Promise<ActedWindow> {
    const acted = new ActedWindow(window, address, !letsSend);
    window.page.on("pageerror", (error) => void acted.problems.push(tellError(error)));
    window.onDialog = (dialog) => {
      const isLeaving = dialog.type() === "beforeunload";
      if (!isLeaving && dialog.type() !== "alert") acted.held.push(`ask "${dialog.message()}" in a dialog`);
      return isLeaving && acted.#isOpening ? dialog.accept() : dialog.dismiss();
    };
    if (!letsSend)
      await window.hold(
        (request) => acted.#holds(request),
        `(${holdOutside.toString()})("${acted.#secret}")`,
      );
    return acted;
  }

  /** Whether a request is kept from being made. */
  #holds({ method, address, isPage }: HeldRequest): boolean {
    if (this.#isOpening) return false;
    const isSent = !/^(?:GET|HEAD|OPTIONS)$/.test(method);
    if (isPage) this.left.push(isSent ? "sends the form" : "goes to another page");
    else if (isSent) this.held.push(`${method} ${this.#shown(address)}`);
    return isPage || isSent;
  }

  /** An address as people are told of it: of the page's own site its path. */
  #shown(address: string): string {
    const { origin, pathname, host } = new URL(address);
    return origin === new URL(this.#address).origin ? pathname : `${host}${pathname}`;
  }

  /** Opens the page anew, with what was stored when it was opened first. */
  async open(): Promise<void> {
    this.#isOpening = true;
    const { window } = this;
    if (this.#stored !== null) {
      const [local, session] = this.#stored;
      await window.ask(this.#main, storeAgain, [{ value: local }, { value: session }]);
    }
    await window.session.send("Emulation.setVirtualTimePolicy", { policy: "pause" });
    await window.openAnew(this.#address);
    await this.#goOn(AT_FIRST);
    this.#main = (await window.frames()).id;
    await window.ask(this.#main, watchWindow, [{ value: toldEvents }, { value: this.#secret }]);
    this.#visits = window.visits;
    this.#stored ??= await window.ask<[unknown, unknown]>(this.#main, storedNow);
    await window.session.send("Page.resetNavigationHistory");
    this.#isOpening = false;
    this.left.length = 0;
    this.problems.length = 0;
    this.held.length = 0;
    await this.settle();
    this.#events.length = 0;
  }

  /** What the window shows of itself. */
  get now(): Now {
    return this.#now;
  }

  /** The frame that the page is in. */
  get main(): string {
    return this.#main;
  }

  takeEvents(): readonly string[] {
    return this.#events.splice(0);
  }

  /** Presses a key, once more for each part of what is one stop of Tab. */
  async press(written: string): Promise<void> {
    const { shift, alt, ctrl, meta } = keyPressOf(written);
    const name = (written === "+" ? "+" : (written.split("+").at(-1) ?? written)) as KeyInput;
    const held = [
      ...(shift ? ["Shift" as const] : []),
      ...(alt ? ["Alt" as const] : []),
      ...(ctrl ? ["Control" as const] : []),
      ...(meta ? ["Meta" as const] : []),
    ];
    const { keyboard } = this.window.page;
    const from = this.#now.focused;
    for (const key of held) await keyboard.down(key);
    for (let part = 0; part < MOST_PARTS; part++) {
      if (isOnKeyboard(name)) {
        await keyboard.down(name);
        await this.#goOn(HELD_DOWN);
        await keyboard.up(name);
      } else await keyboard.sendCharacter(name);
      if (name !== "Tab" || from === null || !(await this.window.ask<boolean>(this.#main, isInParts))) break;
      await this.look();
      if (this.#now.focused !== from) break;
    }
    for (const key of held.toReversed()) await keyboard.up(key);
    await this.settle();
  }

  /** Presses on an element with a pointer, where one meets it. */
  async point(number: number, isTwice: boolean): Promise<void> {
    const place = await this.#placeOf(number);
    if (place !== null) {
      const { mouse } = this.window.page;
      await mouse.move(...place);
      for (const count of isTwice ? [1, 2] : [1]) {
        await mouse.down({ clickCount: count });
        await this.#goOn(HELD_DOWN);
        await mouse.up({ clickCount: count });
      }
    }
    await this.settle();
  }

  /** Moves a pointer over an element. */
  async hover(number: number): Promise<void> {
    const place = await this.#placeOf(number);
    if (place !== null) await this.window.page.mouse.move(...place);
    await this.settle();
  }

  async #placeOf(number: number): Promise<[number, number] | null> {
    return this.window.ask<[number, number] | null>(this.#main, placeToPress, [{ value: number }]);
  }

  /** Has one of our functions do something with an element. */
  async act(run: (number: number) => string, number: number): Promise<void> {
    await this.window.ask(this.#main, run, [{ value: number }]);
    await this.settle();
  }

  /** Takes focus and pointer away. */
  async leave(): Promise<void> {
    await this.window.page.mouse.move(-10, -10);
    await this.window.ask(this.#main, leaveFocus);
    await this.settle();
  }

  /** Has one of our functions do something in the page. */
  async tell(run: () => string): Promise<void> {
    await this.window.ask(this.#main, run);
    await this.settle();
  }

  /** Lets some time of the page go by, and no more. */
  pass(milliseconds: number): Promise<void> {
    return this.#goOn(milliseconds);
  }

  /** Lets a second go by, and what moves come to its end. */
  async settle(): Promise<void> {
    await this.#goOn(A_SECOND);
    await this.#arrive();
    for (let turn = 0; turn < MOST_ANIMATIONS; turn++) {
      if ((await this.window.ask<number>(this.#main, endAnimations)) === 0) break;
      await this.#goOn(A_SECOND);
    }
    await this.look();
  }

  /** Where it has gone to another page, which only somebody may make it do who means it, that is watched from now on. */
  async #arrive(): Promise<void> {
    const { window } = this;
    for (let turn = 0; turn < MOST_ARRIVALS && window.visits !== this.#visits; turn++) {
      this.#visits = window.visits;
      this.arrivals++;
      window.forget();
      await this.#goOn(AT_FIRST);
      this.#main = (await window.frames()).id;
    }
    if (!(await window.ask<boolean>(this.#main, isWatched)))
      await window.ask(this.#main, watchWindow, [{ value: toldEvents }, { value: this.#secret }]);
  }

  /** Lets a second go by here and on the clock on the wall: an answer from elsewhere may be waited for. */
  async wait(): Promise<void> {
    await new Promise((done) => setTimeout(done, A_SECOND));
    await this.settle();
  }

  /** Goes to another page; in words why not, or null. */
  async goTo(address: string): Promise<string | null> {
    try {
      const absolute = new URL(address, this.window.page.url()).href;
      this.#isOpening = true;
      await this.window.openAnew(absolute);
      await this.#goOn(AT_FIRST);
      this.#isOpening = false;
      await this.settle();
      const { status } = this.window.opened();
      return status >= 400 ? `it answers with the status ${status}` : null;
    } catch (error) {
      return error instanceof Error ? error.message : String(error);
    } finally {
      this.#isOpening = false;
    }
  }

  async resize(width: number, height: number): Promise<void> {
    await this.window.resize({ width, height, scale: 1 });
    await this.settle();
  }

  /** Asks the window what it shows of itself now. */
  async look(): Promise<void> {
    this.#now = await this.window.ask<Now>(this.#main, lookNow);
    this.#events.push(...this.#now.events);
    for (const what of this.#now.told) {
      if (/^opens|^prints/.test(what)) this.left.push(what);
      else this.held.push(what);
    }
  }

  /** Lets the time of the page go on; requests that are under way are waited for, up to a limit. */
  async #goOn(milliseconds: number): Promise<void> {
    const { session } = this.window;
    const goOn = (policy: "pauseIfNetworkFetchesPending" | "advance"): Promise<boolean> =>
      new Promise((done, fail) => {
        const timer = setTimeout(() => finish(false), PATIENCE);
        const expired = () => finish(true);
        const finish = (isOver: boolean) => {
          clearTimeout(timer);
          session.off("Emulation.virtualTimeBudgetExpired", expired);
          done(isOver);
        };
        session.on("Emulation.virtualTimeBudgetExpired", expired);
        session
          .send("Emulation.setVirtualTimePolicy", {
            policy,
            budget: milliseconds,
            maxVirtualTimeTaskStarvationCount: 200,
          })
          .catch((error: unknown) => {
            finish(false);
            fail(error);
          });
      });
    this.rests = (await goOn("pauseIfNetworkFetchesPending")) || (await goOn("advance"));
    if (!this.rests) await session.send("Emulation.setVirtualTimePolicy", { policy: "pause" });
  }
}

/** Whether a key is one that keyboards have. */
const isOnKeyboard = (name: string): boolean => name.length > 1 || /^[\u0020-\u007e]$/.test(name);
