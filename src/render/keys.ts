import { inputType } from "../core/document/form-controls.ts";
import type { ElementNode } from "../core/document/node.ts";
import { type DefaultAction, defaultAction, type KeyPhase } from "../core/keyboard/default-action.ts";
import {
  isPrintable,
  type KeyPress,
  keyName,
  keyPressOf,
  namedKey,
  type Way,
} from "../core/keyboard/named-keys.ts";
import type { Scene } from "../core/scene/scene.ts";
import type { LiveElement } from "../engine/live-element.ts";
import { trusted } from "./browser-task.ts";
import type { AnyWindow } from "./clock.ts";

/** What the keys need to know of the page. */
export interface KeyHost {
  readonly window: AnyWindow;
  /** What lies above the page, the latest last: modal dialogs and popovers. */
  open(): readonly LiveElement[];
  /** Fields that were typed into since they last told of a change. */
  readonly edited: Set<LiveElement>;
  page(): KeyPage;
  /** What has focus, through shadow trees; null for none. */
  focused(): LiveElement | null;
  /** Moves focus as Tab does; out of the page where there is no further stop. */
  moveBy(direction: "forwards" | "backwards"): void;
}

/** The page at one moment. */
export interface KeyPage {
  readonly scene: Scene;
  nodeOf(element: LiveElement): ElementNode | null;
  elementOf(node: ElementNode): LiveElement | null;
}

/** A host at the moment at which something was decided: what handlers change afterwards leaves its elements as they are. */
type ActingHost = KeyHost & Pick<KeyPage, "elementOf">;

type Act<Kind extends DefaultAction["kind"]> = Extract<DefaultAction, { readonly kind: Kind }>;

/** Presses one key on whatever has focus: its events, and what browsers do by themselves unless they are prevented. */
export function press(host: KeyHost, written: string): void {
  const { window } = host;
  const pressed = keyPressOf(written);
  const page = window.document.body ?? window.document.documentElement;
  const target = host.focused() ?? page;
  const send = (type: string, to: LiveElement) =>
    to.dispatchEvent(trusted(new window.KeyboardEvent(type, keyEvent(window, pressed))));
  const goesOn = send("keydown", target);
  // A handler may have moved focus: the key goes on from there.
  const now = host.focused() ?? page;
  const decided = goesOn ? actionAt(host, now, pressed) : null;
  const phase = decided === null ? null : phaseOf(decided.action);
  const act = () => decided !== null && perform(decided.host, decided.action);
  if (phase === "keydown") act();
  else if (goesOn && isToldAsPressed(pressed)) {
    const isPressed = send("keypress", now);
    // A field of one line is asked about the line break that it does not take.
    if (isPressed && pressed.key === "Enter" && now.localName === "input")
      tellInput(host, now, "beforeinput", "insertLineBreak", null);
    if (phase === "keypress" && isPressed) act();
  }
  const up = host.focused() ?? page;
  const isUp = send("keyup", up);
  // Space presses what it went down on when it is let go there.
  if (phase === "keyup" && isUp && up === now && up === target) act();
}

/** What an event of a key tells of it. UI Events, `KeyboardEventInit`. */
export function keyEvent(window: AnyWindow, { key, shift, alt, ctrl, meta }: Required<KeyPress>) {
  const code = namedKey(keyName(key))?.code ?? (isPrintable(key) ? key.toUpperCase().charCodeAt(0) : 0);
  return {
    key,
    code: key === " " ? "Space" : /^[a-z]$/i.test(key) ? `Key${key.toUpperCase()}` : key,
    keyCode: code,
    which: code,
    shiftKey: shift,
    altKey: alt,
    ctrlKey: ctrl,
    metaKey: meta,
    bubbles: true,
    cancelable: true,
    composed: true,
    view: window,
  };
}

/** Only keys that write something, and Enter, are told as pressed. UI Events, "keypress". */
const isToldAsPressed = ({ key, ctrl, alt }: Required<KeyPress>): boolean =>
  key === "Enter" || (isPrintable(key) && !ctrl && !alt);

/** The default action that the core decides on for what has focus in the window. */
function actionAt(
  host: KeyHost,
  focused: LiveElement,
  pressed: KeyPress,
): { readonly action: DefaultAction; readonly host: ActingHost } {
  const { scene, nodeOf, elementOf } = host.page();
  const open = host.open().flatMap((element) => nodeOf(element) ?? []);
  return {
    action: defaultAction(scene, nodeOf(focused), pressed, open),
    host: { ...host, elementOf },
  };
}

/** The event that an action is of: text is written when a key is told as pressed, all else happens as it goes down. */
function phaseOf(action: DefaultAction): KeyPhase | null {
  if ("on" in action) return action.on;
  if (action.kind === "type" || action.kind === "find" || action.kind === "submit") return "keypress";
  // Nothing happens on a key that is told as pressed before it is.
  return action.kind === "nothing" || action.kind === "scroll" || action.kind === "open" ? null : "keydown";
}

function perform(host: ActingHost, action: DefaultAction): void {
  switch (action.kind) {
    case "move focus":
      commit(host, host.focused());
      host.moveBy(action.by === 1 ? "forwards" : "backwards");
      return;
    case "activate":
    case "toggle":
      clickBy(host, host.elementOf(action.element));
      return;
    case "select":
      select(host, action);
      return;
    case "find":
      find(host, action);
      return;
    case "step":
      step(host, action);
      return;
    case "close":
      close(host.elementOf(action.element));
      return;
    case "clear":
      clear(host, host.elementOf(action.element));
      return;
    case "submit":
      submit(host, action);
      return;
    case "type":
      type(host, host.elementOf(action.element), action.text);
      return;
    case "use access key":
      useAccessKey(host, action.letter);
      return;
    case "erase":
      erase(host, host.elementOf(action.element));
      return;
    // The list that opens is the browser's own, and nothing here scrolls.
    case "open":
    case "scroll":
    case "nothing":
      return;
    default:
      action satisfies never;
  }
}

/** A click that a key brings about: no button was pressed, so its detail is 0. */
function clickBy({ window }: KeyHost, element: LiveElement | null): void {
  if (element === null || element.disabled === true) return;
  element.dispatchEvent(
    trusted(
      new (window.PointerEvent ?? window.MouseEvent)("click", {
        bubbles: true,
        cancelable: true,
        composed: true,
        detail: 0,
        pointerId: -1,
        view: window,
      }),
    ),
  );
}

/** A field that was typed into tells of its change when it is left, or sent. HTML §4.10.5.5, "change". */
export function commit({ window, edited }: KeyHost, element: LiveElement | null): void {
  if (element !== null && edited.delete(element))
    element.dispatchEvent(trusted(new window.Event("change", { bubbles: true })));
}

/** An access key goes to its element, and presses what can be pressed. HTML §6.7.2. */
function useAccessKey(host: KeyHost, key: string): void {
  const element = host.window.document.querySelector(`[accesskey="${key === '"' ? "" : key}" i]`);
  if (element === null) return;
  element.focus();
  const { kind } = actionAt(host, element, { key: "Enter" }).action;
  const isMark = element.localName === "input" && /^(?:checkbox|radio)$/.test(element.type);
  if (kind === "activate" || kind === "toggle" || isMark) clickBy(host, element);
}

/** Implicit submission. HTML §4.10.22.2. */
function submit(host: ActingHost, { element, form, by }: Act<"submit">): void {
  const field = host.elementOf(element);
  commit(host, field);
  const sent = host.elementOf(form);
  if (by !== null) clickBy(host, host.elementOf(by));
  else if (
    sent?.dispatchEvent(trusted(new host.window.Event("submit", { bubbles: true, cancelable: true }))) ===
    true
  )
    sent.submit();
}

/** Closes what lies on top. */
function close(element: LiveElement | null): void {
  if (element?.localName === "dialog" && element.hasAttribute("open")) element.requestClose();
  else element?.hidePopover();
}

/** Tells that a choice was changed by a person. */
function tellChanged({ window }: KeyHost, element: LiveElement): void {
  element.dispatchEvent(trusted(new window.Event("input", { bubbles: true })));
  element.dispatchEvent(trusted(new window.Event("change", { bubbles: true })));
}

function select(host: ActingHost, { element: node, to }: Act<"select">): void {
  const element = host.elementOf(node);
  if (element === null) return;
  if (element.localName === "select") choose(host, element, optionBy(element, to));
  else if (element.name !== "" && typeof to === "number") chooseRadio(host, element, to);
}

/** The radio button before or after one in its group, round again from the other end. */
function chooseRadio(host: KeyHost, element: LiveElement, to: 1 | -1): void {
  const group = [...element.ownerDocument.querySelectorAll("input[type=radio]")].filter(
    (one: LiveElement) => one.name === element.name && one.form === element.form && !one.disabled,
  );
  const next = group.at((group.indexOf(element) + to) % group.length);
  if (next === undefined || next === element) return;
  next.focus();
  clickBy(host, next);
}

/** The option that a key leads to from the one that is chosen, disabled ones passed by; null for none. */
function optionBy(element: LiveElement, to: Way): LiveElement | null {
  const options: LiveElement[] = [...element.options];
  const isOpen = (option: LiveElement) => !option.disabled && option.parentElement?.disabled !== true;
  const from: number = element.selectedIndex;
  if (to === "first") return options.find(isOpen) ?? null;
  if (to === "last") return options.findLast(isOpen) ?? null;
  return (
    (to === 1 ? options.slice(from + 1) : options.slice(0, Math.max(0, from)).reverse()).find(isOpen) ?? null
  );
}

function choose(host: KeyHost, element: LiveElement, option: LiveElement | null): void {
  if (option === null || option.selected === true) return;
  element.selectedIndex = option.index;
  tellChanged(host, element);
}

/** The next option whose words begin with a letter, round again from the first. */
function find(host: ActingHost, { element: node, letter }: Act<"find">): void {
  const element = host.elementOf(node);
  if (element === null) return;
  const options: LiveElement[] = [...element.options];
  const from: number = element.selectedIndex + 1;
  const order = [...options.slice(from), ...options.slice(0, from)];
  const found = order.find(
    (option) => !option.disabled && option.text.trim().toLowerCase().startsWith(letter.toLowerCase()),
  );
  choose(host, element, found ?? null);
}

/** Steps of a value, and pages: a tenth of the whole, and at least one step. */
function step(host: ActingHost, { element: node, to, isPage }: Act<"step">): void {
  const element = host.elementOf(node);
  if (element === null) return;
  const before: string = element.value;
  const isRange = inputType(node) === "range";
  if (!isRange) tellInput(host, element, "beforeinput", "insertReplacementText", null);
  const span = Number(element.max || 100) - Number(element.min || 0);
  const page = Math.max(1, Math.floor(span / 10 / (Number(element.step) || 1)));
  try {
    if (typeof to === "number") element[to === 1 ? "stepUp" : "stepDown"](isPage ? page : 1);
    else if (isRange) setValue(host, element, to === "first" ? element.min || "0" : element.max || "100");
  } catch {
    // A type that has no steps.
    return;
  }
  if (element.value !== before) tellChanged(host, element);
}

const isEditable = (element: LiveElement): boolean =>
  element.localName === "input" || element.localName === "textarea";

/** An event of an edit; false where it was prevented. UI Events, "input event order". */
function tellInput(
  { window }: KeyHost,
  element: LiveElement | null,
  name: "beforeinput" | "input",
  inputType: string,
  data: string | null,
): boolean {
  // In a field that takes no text nothing is about to be put in.
  const isText =
    element !== null &&
    (!isEditable(element) || /^(?:text|search|tel|url|email|password|number|textarea)$/.test(element.type));
  if (!isText || (inputType === "insertLineBreak" && element.readOnly === true)) return true;
  return element.dispatchEvent(
    trusted(
      new window.InputEvent(name, {
        bubbles: true,
        cancelable: name === "beforeinput",
        composed: true,
        inputType,
        data,
      }),
    ),
  );
}

/** Puts a character into a field, or into what is edited, as typing does. */
function type(host: KeyHost, element: LiveElement | null, text: string): void {
  if (element === null || element.disabled === true) return;
  const kind = text === "\n" ? "insertLineBreak" : "insertText";
  const data = text === "\n" ? null : text;
  const goesOn = tellInput(host, element, "beforeinput", kind, data);
  const most = Number(element.maxLength ?? -1);
  const isFull = isEditable(element) && most >= 0 && element.value.length >= most;
  // A field of one line takes no line break.
  const isRefused = element.readOnly === true || isFull || (text === "\n" && element.localName === "input");
  if (!goesOn || isRefused) return;
  if (isEditable(element)) setValue(host, element, `${element.value}${text}`);
  else element.append(text);
  host.edited.add(element);
  tellInput(host, element, "input", kind, data);
}

function erase(host: KeyHost, element: LiveElement | null): void {
  if (element === null || element.disabled === true) return;
  const goesOn = tellInput(host, element, "beforeinput", "deleteContentBackward", null);
  if (!goesOn || element.readOnly === true || !isEditable(element) || element.value === "") return;
  setValue(host, element, element.value.slice(0, -1));
  host.edited.add(element);
  tellInput(host, element, "input", "deleteContentBackward", null);
}

/** Escape empties a field for searching. */
function clear(host: KeyHost, element: LiveElement | null): void {
  if (element === null || element.value === "" || element.readOnly === true) return;
  setValue(host, element, "");
  host.edited.add(element);
  element.dispatchEvent(trusted(new host.window.Event("input", { bubbles: true })));
}

/** Through the setter of the element itself: frameworks put one of their own in front of it. */
function setValue({ window }: KeyHost, element: LiveElement, value: string): void {
  const proto = element.localName === "textarea" ? window.HTMLTextAreaElement : window.HTMLInputElement;
  Object.getOwnPropertyDescriptor(proto.prototype, "value")?.set?.call(element, value);
}
