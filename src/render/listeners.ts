import { byPeople } from "../engine/events-by-people.ts";
import type { LiveElement } from "../engine/live-element.ts";
import { microtaskCheckpoint } from "./browser-task.ts";
import type { AnyWindow } from "./clock.ts";
import { delegatedEvents, isHandingOut, isOfFramework } from "./mounted/origins.ts";

/** Handlers that scripts give an element as a property. */
const handled = [
  ...["click", "dblclick", "mousedown", "mouseup", "mouseenter", "mouseover", "mouseleave", "mouseout"],
  ...["pointerdown", "pointerup", "pointerenter", "pointerleave", "touchstart", "touchend"],
  ...["keydown", "keyup", "keypress", "focus", "blur", "change", "input", "submit", "reset"],
  ...["dragstart", "dragover", "dragend", "drop"],
];

const ELEMENT = 1;

/** What scripts listen for in one window, from when it is watched. */
export class Listeners {
  /** How many of each kind, by what they stand on. */
  readonly #counts = new Map<LiveElement, Map<string, number>>();

  /** Events that a framework listens for at the top, each only where some element has a handler for it. */
  readonly #handedOut = new Set<string>();
  /** Handlers that were ever given to elements as properties. */
  readonly #properties = new WeakMap<LiveElement, Set<string>>();
  /** Functions that stand in for those that scripts gave, which are told by them when they are taken away. */
  readonly #standIns = new WeakMap<object, (event: LiveElement) => void>();
  /** How many listeners called each other. */
  #depth = 0;
  #isByBrowser = false;

  watch(window: AnyWindow): void {
    for (const { prototype } of [window.HTMLElement, window.SVGElement]) this.#watchProperties(prototype);
    const proto = window.EventTarget.prototype;
    const counts = this.#counts;
    const handedOut = this.#handedOut;
    const standIn = (listener: unknown) => this.#standIn(listener);
    for (const [name, by] of [
      ["addEventListener", 1],
      ["removeEventListener", -1],
    ] as const) {
      const native = proto[name];
      proto[name] = function (this: LiveElement, type: string, listener: unknown, ...rest: unknown[]) {
        if (listener != null && !isOfFramework(listener)) {
          const kinds = counts.get(this) ?? new Map<string, number>();
          counts.set(this, kinds.set(type, (kinds.get(type) ?? 0) + by));
        }
        if (isHandingOut(listener)) handedOut.add(type);
        return native.call(this, type, standIn(listener), ...rest);
      };
    }
  }

  /** Handlers given as properties: looking at each property of each element takes long. HTML §8.1.8.2. */
  #watchProperties(prototype: LiveElement): void {
    const properties = this.#properties;
    for (const type of handled) {
      const native = Object.getOwnPropertyDescriptor(prototype, `on${type}`);
      if (native?.set === undefined) continue;
      Object.defineProperty(prototype, `on${type}`, {
        ...native,
        set(this: LiveElement, handler: unknown) {
          properties.set(this, (properties.get(this) ?? new Set<string>()).add(type));
          native.set?.call(this, handler);
        },
      });
    }
  }

  /** Does what the browser does itself: promises go on after each listener that it calls. */
  asBrowser(run: () => void): void {
    this.#isByBrowser = true;
    try {
      run();
    } finally {
      this.#isByBrowser = false;
    }
  }

  #standIn(listener: unknown): unknown {
    if (listener === null || (typeof listener !== "function" && typeof listener !== "object"))
      return listener;
    const known = this.#standIns.get(listener);
    if (known !== undefined) return known;
    const listeners = this;
    const standIn = function (this: LiveElement, event: LiveElement) {
      listeners.#depth++;
      try {
        if (typeof listener === "function") listener.call(this, event);
        else (listener as { handleEvent?: (event: LiveElement) => void }).handleEvent?.(event);
      } finally {
        listeners.#depth--;
        if (listeners.#isByBrowser && listeners.#depth === 0) microtaskCheckpoint();
      }
    };
    this.#standIns.set(listener, standIn);
    return standIn;
  }

  /** Events that a script, a framework or an attribute listens for on an element. */
  on(element: LiveElement): ReadonlySet<string> {
    const found = new Set<string>(delegatedEvents(element));
    for (const [type, n] of this.#counts.get(element) ?? []) if (n > 0) found.add(type);
    for (const { name } of element.attributes ?? []) if (/^on/.test(name)) found.add(name.slice(2));
    const properties = element.nodeType === ELEMENT ? (this.#properties.get(element) ?? []) : handled;
    for (const type of properties) if (typeof element[`on${type}`] === "function") found.add(type);
    return found;
  }

  /** Whether events of a kind are listened for around everything, and no element shows for which of them. */
  areAround(window: AnyWindow, type: string): boolean {
    const { document } = window;
    const around = [window, document, document.documentElement, document.body];
    return (
      around.some((target) => this.#isHeard(target, type)) ||
      (this.#handedOut.has(type) && !this.#elements(window).some((element) => this.on(element).has(type)))
    );
  }

  #isHeard(target: LiveElement, type: string): boolean {
    return (this.#counts.get(target)?.get(type) ?? 0) > 0 || typeof target[`on${type}`] === "function";
  }

  #elements(window: AnyWindow): readonly LiveElement[] {
    return [...window.document.querySelectorAll("*")];
  }

  /** Whether anything in a window but itself listens for what people do, or says that it does. */
  isAny(window: AnyWindow): boolean {
    for (const [target, types] of this.#counts)
      if (target !== window && [...types].some(([type, n]) => n > 0 && byPeople.test(type))) return true;
    return this.#handedOut.size > 0 || this.#elements(window).some((element) => this.on(element).size > 0);
  }
}
