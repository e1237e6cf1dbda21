import type { LiveElement } from "../engine/live-element.ts";
import { installBrowserWords } from "./browser-words.ts";
import type { AnyWindow } from "./clock.ts";
import { define, getter } from "./define.ts";
import { installPseudoClasses, type PseudoClasses } from "./pseudo-classes.ts";

/** What a simulated window must know to stand in for what jsdom leaves out. */
export interface ShimHost {
  /** Whether an element makes boxes, by our own cascade. */
  isRendered(element: LiveElement): boolean;
  isVisible(element: LiveElement): boolean;
  canTakeFocus(element: LiveElement): boolean;
  /** A computed value; empty where it is not known. */
  styleValue(element: LiveElement, property: string): string;
  matchesMedia(query: string): boolean;
  /** Something that would ask the network, which is not there. */
  asksNetwork(): void;
  /** Something that leaves the page, opens another or sends a form. */
  leaves(what: string): void;
  readonly pseudoClasses: PseudoClasses;
  readonly top: TopLayer;
  later(run: () => void): void;
  /** Something was done that takes time. */
  tick(): void;
}

/** Dialogs and popovers that lie above the page, the latest last. */
export interface TopLayer {
  readonly modals: LiveElement[];
  readonly popovers: LiveElement[];
  /** Both together. */
  readonly order: LiveElement[];
  /** What had focus before each was opened. */
  readonly before: Map<LiveElement, LiveElement>;
}

/** Sizes that say "there" or "not there": a simulated window lays nothing out. CSS pixels. */
const BOX = { width: 100, height: 20 };

/** Puts into a window what jsdom lacks and interfaces need. */
export function installShims(window: AnyWindow, host: ShimHost): void {
  installObservers(window, host);
  installStyles(window, host);
  installNetwork(window, host);
  installBoxes(window, host);
  installAttributes(window);
  installBrowserWords(window);
  installPseudoClasses(window, host.pseudoClasses);
  installActs(window, host);
  installDialogs(window, host);
  installPopovers(window, host);
}

const rectOf = (window: AnyWindow, host: ShimHost, element: LiveElement) => {
  const there = host.isRendered(element);
  return new window.DOMRect(0, 0, there ? BOX.width : 0, there ? BOX.height : 0);
};

/** Observers are told once, of what is there. Resize Observer 1, Intersection Observer. */
function installObservers(window: AnyWindow, host: ShimHost): void {
  class Observer {
    readonly #run: (entries: object[], observer: object) => void;
    constructor(run: (entries: object[], observer: object) => void) {
      this.#run = run;
    }
    observe(target: LiveElement) {
      const { width, height } = rectOf(window, host, target);
      const boxSize = { inlineSize: width, blockSize: height };
      const entry = {
        target,
        isIntersecting: host.isRendered(target),
        intersectionRatio: 1,
        contentRect: rectOf(window, host, target),
        boundingClientRect: rectOf(window, host, target),
        borderBoxSize: [boxSize],
        contentBoxSize: [boxSize],
      };
      host.later(() => this.#run([entry], this));
    }
    unobserve() {}
    disconnect() {}
    takeRecords() {
      return [];
    }
  }
  define(window, "ResizeObserver", Observer);
  define(window, "IntersectionObserver", Observer);
}

/** CSSOM and CSSOM View: media and computed styles, from our own cascade. */
function installStyles(window: AnyWindow, host: ShimHost): void {
  define(window, "matchMedia", (query: string) => ({
    matches: host.matchesMedia(query),
    media: query,
    onchange: null,
    addEventListener() {},
    removeEventListener() {},
    addListener() {},
    removeListener() {},
    dispatchEvent: () => false,
  }));
  define(window, "CSS", {
    escape: (text: string) =>
      text.replace(/[^\w\u0080-\uffff-]|^(?=\d)/g, (c) => (c === "" ? "\\3" : `\\${c}`)),
    supports: () => true,
  });
  define(window, "getComputedStyle", (element: LiveElement) => {
    const read = (name: string) => host.styleValue(element, name);
    const target: Record<string, unknown> = {
      getPropertyValue: read,
      getPropertyPriority: () => "",
      length: 0,
    };
    return new Proxy(target, {
      get: (target, name) =>
        typeof name !== "string" || name in target
          ? target[name as string]
          : read(name.replace(/[A-Z]/g, (c) => `-${c.toLowerCase()}`).replace(/^(webkit|moz)-/, "-$1-")),
    });
  });
}

/** Nothing is sent anywhere. */
function installNetwork(window: AnyWindow, host: ShimHost): void {
  define(window, "fetch", () => {
    host.asksNetwork();
    return Promise.reject(new TypeError("There is no network here."));
  });
  define(window.XMLHttpRequest.prototype, "send", function (this: LiveElement) {
    host.asksNetwork();
    host.later(() => {
      for (const type of ["error", "loadend"]) this.dispatchEvent(new window.ProgressEvent(type));
    });
  });
  define(
    window,
    "WebSocket",
    class {
      close() {}
      send() {}
      addEventListener() {}
    },
  );
  define(
    window,
    "EventSource",
    class {
      close() {}
      addEventListener() {}
    },
  );
}

/** Boxes are there or not, and nothing moves. CSSOM View 1. */
function installBoxes(window: AnyWindow, host: ShimHost): void {
  const { HTMLElement } = window;
  const proto = window.Element.prototype;
  for (const name of ["scrollIntoView", "scrollTo", "scrollBy", "setPointerCapture", "releasePointerCapture"])
    define(proto, name, () => undefined);
  define(proto, "hasPointerCapture", () => false);
  define(proto, "getAnimations", () => []);
  define(proto, "animate", () => ({
    finished: Promise.resolve(),
    cancel() {},
    finish() {},
    play() {},
    pause() {},
    addEventListener() {},
    onfinish: null,
  }));
  define(proto, "checkVisibility", function (this: LiveElement) {
    return host.isRendered(this) && host.styleValue(this, "display") !== "contents";
  });
  define(proto, "getBoundingClientRect", function (this: LiveElement) {
    return rectOf(window, host, this);
  });
  define(proto, "getClientRects", function (this: LiveElement) {
    return host.isRendered(this) ? [rectOf(window, host, this)] : [];
  });
  for (const [name, side] of [
    ["offsetWidth", "width"],
    ["clientWidth", "width"],
    ["scrollWidth", "width"],
    ["offsetHeight", "height"],
    ["clientHeight", "height"],
    ["scrollHeight", "height"],
  ] as const)
    getter(HTMLElement.prototype, name, function () {
      return host.isRendered(this) ? BOX[side] : 0;
    });
  getter(HTMLElement.prototype, "offsetParent", function () {
    return host.isRendered(this) ? this.ownerDocument.body : null;
  });
}

/** Properties that stand for attributes and words. HTML §3.2.7, §6.3, §6.8.5, §6.12. */
function installAttributes({ HTMLElement }: AnyWindow): void {
  getter(
    HTMLElement.prototype,
    "innerText",
    function () {
      return this.textContent;
    },
    function (this: LiveElement, text: never) {
      this.textContent = text;
    },
  );
  getter(HTMLElement.prototype, "isContentEditable", function () {
    return this.closest("[contenteditable]:not([contenteditable=false])") !== null;
  });
  for (const name of ["inert", "popover"])
    getter(
      HTMLElement.prototype,
      name,
      function () {
        return name === "inert" ? this.hasAttribute(name) : this.getAttribute(name);
      },
      function (this: LiveElement, value: never) {
        if (value === false || value === null) this.removeAttribute(name);
        else this.setAttribute(name, value === true ? "" : value);
      },
    );
}

/** What a window and its elements do: moving focus, asking, opening, sending. */
function installActs(window: AnyWindow, host: ShimHost): void {
  const { HTMLElement, Event } = window;
  define(
    window,
    "ToggleEvent",
    class extends Event {
      readonly oldState: string;
      readonly newState: string;
      constructor(type: string, init: { oldState?: string; newState?: string } = {}) {
        super(type, init);
        this.oldState = init.oldState ?? "";
        this.newState = init.newState ?? "";
      }
    },
  );
  define(window, "structuredClone", structuredClone);
  for (const name of ["scrollTo", "scrollBy", "scroll", "print", "focus", "blur", "alert"])
    define(window, name, () => undefined);
  define(window, "confirm", () => true);
  define(window, "prompt", () => "");
  define(window, "open", () => {
    host.leaves("opens a window");
    return null;
  });
  const focus = HTMLElement.prototype.focus;
  define(HTMLElement.prototype, "focus", function (this: LiveElement) {
    host.tick();
    if (host.canTakeFocus(this)) focus.call(this);
  });
  for (const name of ["submit", "requestSubmit"]) {
    const native = window.HTMLFormElement.prototype[name];
    define(window.HTMLFormElement.prototype, name, function (this: LiveElement, submitter?: LiveElement) {
      if (name === "submit") host.leaves("sends the form");
      else native.call(this, submitter);
    });
  }
}

/** Takes what is closed off the top of the page. */
function takeOff({ order }: TopLayer, element: LiveElement): void {
  const place = order.indexOf(element);
  if (place >= 0) order.splice(place, 1);
}

/** Tells that something was opened or closed, or is about to be. HTML §6.12, `ToggleEvent`. */
const tellToggled = (
  window: AnyWindow,
  element: LiveElement,
  newState: "open" | "closed",
  type: "beforetoggle" | "toggle" = "toggle",
): boolean =>
  element.dispatchEvent(
    new window.ToggleEvent(type, {
      oldState: newState === "open" ? "closed" : "open",
      newState,
      cancelable: type === "beforetoggle",
    }),
  );

/** Dialogs: HTML §4.11.4, "show", "showModal", "close" and the dialog focusing steps. */
function installDialogs(window: AnyWindow, { top, canTakeFocus, later }: ShimHost): void {
  const proto = window.HTMLDialogElement.prototype;
  const open = (dialog: LiveElement, isModal: boolean) => {
    if (dialog.hasAttribute("open")) return;
    top.before.set(dialog, window.document.activeElement);
    dialog.setAttribute("open", "");
    if (isModal) {
      top.modals.push(dialog);
      top.order.push(dialog);
    }
    const first =
      [...dialog.querySelectorAll("[autofocus]")].find(canTakeFocus) ??
      [...dialog.querySelectorAll("*")].find((inside) => canTakeFocus(inside));
    if (first !== undefined) first.focus();
    else if (isModal) {
      dialog.setAttribute("tabindex", "-1");
      dialog.focus();
      dialog.removeAttribute("tabindex");
    }
    later(() => tellToggled(window, dialog, "open"));
  };
  define(proto, "show", function (this: LiveElement) {
    open(this, false);
  });
  define(proto, "showModal", function (this: LiveElement) {
    open(this, true);
  });
  define(proto, "close", function (this: LiveElement, result?: string) {
    if (!this.hasAttribute("open")) return;
    this.removeAttribute("open");
    if (result !== undefined) this.returnValue = result;
    const index = top.modals.indexOf(this);
    if (index >= 0) top.modals.splice(index, 1);
    takeOff(top, this);
    const before = top.before.get(this);
    top.before.delete(this);
    // Focus goes back where it was, if it was inside or the dialog was modal.
    if (before?.isConnected === true && (index >= 0 || this.contains(window.document.activeElement)))
      before.focus();
    later(() => {
      this.dispatchEvent(new window.Event("close"));
      tellToggled(window, this, "closed");
    });
  });
  define(proto, "requestClose", function (this: LiveElement, result?: string) {
    if (this.dispatchEvent(new window.Event("cancel", { cancelable: true }))) this.close(result);
  });
  proto.returnValue ??= "";
}

/** Popovers: HTML §6.12, "show popover" and "hide popover". */
function installPopovers(window: AnyWindow, { top, later }: ShimHost): void {
  const proto = window.HTMLElement.prototype;
  const tell = (popover: LiveElement, type: "beforetoggle" | "toggle", newState: "open" | "closed") =>
    tellToggled(window, popover, newState, type);
  define(proto, "showPopover", function (this: LiveElement) {
    if (!this.hasAttribute("popover") || top.popovers.includes(this)) return;
    if (!tell(this, "beforetoggle", "open")) return;
    if (this.getAttribute("popover") !== "manual")
      for (const other of [...top.popovers])
        if (!other.contains(this) && other.getAttribute("popover") !== "manual") other.hidePopover();
    top.before.set(this, window.document.activeElement);
    top.popovers.push(this);
    top.order.push(this);
    later(() => tell(this, "toggle", "open"));
    this.querySelector("[autofocus]")?.focus();
  });
  define(proto, "hidePopover", function (this: LiveElement) {
    const index = top.popovers.indexOf(this);
    if (index < 0) return;
    tell(this, "beforetoggle", "closed");
    top.popovers.splice(index, 1);
    takeOff(top, this);
    const before = top.before.get(this);
    if (before?.isConnected === true && this.contains(window.document.activeElement)) before.focus();
    later(() => tell(this, "toggle", "closed"));
  });
  define(proto, "togglePopover", function (this: LiveElement, force?: boolean) {
    if (force ?? !top.popovers.includes(this)) this.showPopover();
    else this.hidePopover();
  });
}
