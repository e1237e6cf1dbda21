import type { AnyWindow } from "./clock.ts";
import type { TopLayer } from "./shims.ts";
import type { LiveElement } from "./snapshot.ts";

/** Legacy numbers that old handlers look at. UI Events, "fixed virtual key codes". */
const codes: Readonly<Record<string, number>> = {
  Tab: 9,
  Enter: 13,
  Escape: 27,
  " ": 32,
  PageUp: 33,
  PageDown: 34,
  End: 35,
  Home: 36,
  ArrowLeft: 37,
  ArrowUp: 38,
  ArrowRight: 39,
  ArrowDown: 40,
  Delete: 46,
  Backspace: 8,
};

/** A key as people write it: `Shift+Tab`, `Alt+ArrowDown`, `Space`, `a`. */
export interface KeyPress {
  readonly key: string;
  readonly code: string;
  readonly keyCode: number;
  readonly shiftKey: boolean;
  readonly altKey: boolean;
  readonly ctrlKey: boolean;
  readonly metaKey: boolean;
}

export function keyPressOf(written: string): KeyPress {
  const parts = written === "+" ? ["+"] : written.split("+");
  const name = parts.at(-1) ?? written;
  const key = name === "Space" ? " " : name;
  const isLetter = /^[a-z]$/i.test(key);
  return {
    key,
    code: key === " " ? "Space" : isLetter ? `Key${key.toUpperCase()}` : key,
    keyCode: codes[key] ?? (key.length === 1 ? key.toUpperCase().charCodeAt(0) : 0),
    shiftKey: parts.includes("Shift"),
    altKey: parts.includes("Alt"),
    ctrlKey: parts.includes("Ctrl"),
    metaKey: parts.includes("Meta"),
  };
}

/** What the keys need to know of the page. */
export interface KeyHost {
  readonly window: AnyWindow;
  readonly top: TopLayer;
  /** Fields that were typed into since they last told of a change. */
  readonly edited: Set<LiveElement>;
  /** What has focus, through shadow trees; null for none. */
  focused(): LiveElement | null;
  /** Moves focus as Tab does; null for out of the page. */
  moveBy(direction: "forwards" | "backwards"): void;
}

const textTypes = /^(?:text|search|url|tel|email|password|number|date|time|month|week|datetime-local)?$/;

const isTextField = (element: LiveElement): boolean =>
  element.localName === "textarea" || (element.localName === "input" && textTypes.test(element.type));

const isButton = (element: LiveElement): boolean =>
  element.localName === "button" ||
  element.localName === "summary" ||
  (element.localName === "input" && /^(?:button|submit|reset|image|color|file)$/.test(element.type));

const isMark = (element: LiveElement): boolean =>
  element.localName === "input" && /^(?:checkbox|radio)$/.test(element.type);

/** Presses one key on whatever has focus: its events, and what browsers do by themselves unless they are prevented. */
export function press(host: KeyHost, written: string): void {
  const { window } = host;
  const pressed = keyPressOf(written);
  const target = host.focused() ?? window.document.body ?? window.document.documentElement;
  const send = (type: string, to: LiveElement) =>
    to.dispatchEvent(
      new window.KeyboardEvent(type, {
        ...pressed,
        which: pressed.keyCode,
        bubbles: true,
        cancelable: true,
        composed: true,
        view: window,
      }),
    );
  const goesOn = send("keydown", target);
  const at = host.focused() ?? target;
  const hasPress =
    pressed.key === "Enter" || (pressed.key.length === 1 && !pressed.ctrlKey && !pressed.altKey);
  const isTyped = goesOn && (!hasPress || send("keypress", at));
  if (isTyped) act(host, at, pressed);
  const up = host.focused() ?? window.document.body;
  const isUp = send("keyup", up);
  // Space presses when it is let go, where focus stayed. HTML §6.5.6, activation.
  if (pressed.key === " " && goesOn && isTyped && isUp && up === at && (isButton(at) || isMark(at)))
    clickBy(host, at);
}

/** A click that a key brings about: no button was pressed, so its detail is 0. */
function clickBy({ window }: KeyHost, element: LiveElement): void {
  if (element.disabled === true) return;
  element.dispatchEvent(
    new (window.PointerEvent ?? window.MouseEvent)("click", {
      bubbles: true,
      cancelable: true,
      composed: true,
      detail: 0,
      view: window,
    }),
  );
}

/** A field that was typed into tells of its change when it is left, or sent. HTML §4.10.5.5, "change". */
function commit({ window, edited }: KeyHost, element: LiveElement): void {
  if (edited.delete(element)) element.dispatchEvent(new window.Event("change", { bubbles: true }));
}

/** An access key goes to its element, and presses what can be pressed. HTML §6.7.2. */
function useAccessKey(host: KeyHost, key: string): void {
  const element = host.window.document.querySelector(`[accesskey="${key === '"' ? "" : key}" i]`);
  if (element === null) return;
  element.focus();
  if (isButton(element) || isMark(element) || element.localName === "a") clickBy(host, element);
}

function act(host: KeyHost, element: LiveElement, { key, shiftKey, altKey, ctrlKey }: KeyPress): void {
  if (ctrlKey) return;
  switch (key) {
    case "Tab":
      commit(host, element);
      host.moveBy(shiftKey ? "backwards" : "forwards");
      return;
    case "Enter":
      enter(host, element);
      return;
    case "Escape":
      dismiss(host);
      return;
    case "ArrowDown":
    case "ArrowUp":
    case "ArrowLeft":
    case "ArrowRight":
    case "Home":
    case "End":
    case "PageUp":
    case "PageDown":
      if (!altKey) arrow(host, element, key);
      return;
    case "Backspace":
      if (isTextField(element)) type(host, element, element.value.slice(0, -1), "deleteContentBackward");
      return;
    default:
      if (key.length !== 1) return;
      if (altKey) useAccessKey(host, key);
      else if (isTextField(element)) type(host, element, element.value + key, "insertText", key);
  }
}

function enter(host: KeyHost, element: LiveElement): void {
  const { window } = host;
  if (element.localName === "textarea") type(host, element, `${element.value}\n`, "insertLineBreak");
  else if (isButton(element) || (element.localName === "a" && element.hasAttribute("href")))
    clickBy(host, element);
  else if (isTextField(element) && element.form != null) {
    commit(host, element);
    // Implicit submission. HTML §4.10.22.2.
    const button = [...element.form.elements].find(
      (one: LiveElement) => one.type === "submit" || one.type === "image",
    );
    if (button !== undefined) clickBy(host, button);
    else if (element.form.dispatchEvent(new window.Event("submit", { bubbles: true, cancelable: true })))
      element.form.submit();
  }
}

/** Closes what lies on top. HTML §6.11, "close watchers". */
function dismiss({ top }: KeyHost): void {
  const popover = top.popovers.findLast((one) => one.getAttribute("popover") !== "manual");
  if (popover !== undefined) popover.hidePopover();
  else top.modals.at(-1)?.requestClose();
}

/** How many options a page key goes on by in a closed list. */
const PAGE_OF_OPTIONS = 10;

function arrow(host: KeyHost, element: LiveElement, key: string): void {
  const { window } = host;
  const forwards = /^(?:ArrowDown|ArrowRight|PageDown)$/.test(key);
  const changed = () => {
    element.dispatchEvent(new window.Event("input", { bubbles: true }));
    element.dispatchEvent(new window.Event("change", { bubbles: true }));
  };
  if (element.localName === "input" && element.type === "radio") {
    const group = [...element.ownerDocument.querySelectorAll("input[type=radio]")].filter(
      (one: LiveElement) => one.name === element.name && one.form === element.form && !one.disabled,
    );
    const next = group.at((group.indexOf(element) + (forwards ? 1 : -1)) % group.length);
    if (next === undefined || next === element || !key.startsWith("Arrow")) return;
    next.focus();
    clickBy(host, next);
  } else if (element.localName === "select") {
    const last = element.options.length - 1;
    const by = key.startsWith("Page") ? PAGE_OF_OPTIONS : 1;
    const to = key === "Home" ? 0 : key === "End" ? last : element.selectedIndex + (forwards ? by : -by);
    const index = Math.max(0, Math.min(last, to));
    if (index === element.selectedIndex) return;
    element.selectedIndex = index;
    changed();
  } else if (element.localName === "input" && /^(?:number|range)$/.test(element.type)) {
    const before = element.value;
    // A page is a tenth of the whole, and at least one step.
    const span = Number(element.max || 100) - Number(element.min || 0);
    const page = Math.max(1, Math.round(span / 10 / (Number(element.step) || 1)));
    const isRange = element.type === "range";
    try {
      if (key === "Home" || key === "End") {
        if (isRange) setValue(host, element, key === "Home" ? element.min || "0" : element.max || "100");
      } else if (key === "PageUp" || key === "PageDown") {
        if (isRange) element[key === "PageUp" ? "stepUp" : "stepDown"](page);
      } else if (key === "ArrowUp" || key === "ArrowRight") element.stepUp();
      else if (key === "ArrowDown" || key === "ArrowLeft") element.stepDown();
    } catch {
      return;
    }
    if (element.value !== before) changed();
  }
}

/** Puts text into a field as typing does. UI Events, "input event order". */
function type(
  host: KeyHost,
  element: LiveElement,
  value: string,
  inputType: string,
  data: string | null = null,
): void {
  if (element.readOnly === true || element.disabled === true) return;
  const { window } = host;
  const event = (name: string, cancelable: boolean) =>
    new window.InputEvent(name, { bubbles: true, cancelable, composed: true, inputType, data });
  if (!element.dispatchEvent(event("beforeinput", true))) return;
  setValue(host, element, value);
  host.edited.add(element);
  element.dispatchEvent(event("input", false));
}

/** Through the setter of the element itself: frameworks put one of their own in front of it. */
function setValue({ window }: KeyHost, element: LiveElement, value: string): void {
  const proto = element.localName === "textarea" ? window.HTMLTextAreaElement : window.HTMLInputElement;
  Object.getOwnPropertyDescriptor(proto.prototype, "value")?.set?.call(element, value);
}
