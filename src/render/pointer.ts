import type { LiveElement } from "../engine/live-element.ts";
import { trusted } from "./browser-task.ts";
import type { AnyWindow } from "./clock.ts";

/** What a pointer needs to know of the page. */
export interface PointerHost {
  readonly window: AnyWindow;
  /** A computed value; empty where it is not known. */
  styleValue(element: LiveElement, property: string): string;
  isInert(element: LiveElement): boolean;
  canTakeFocus(element: LiveElement): boolean;
  /** Whether a second press is waited for. */
  isPressedTwice(element: LiveElement): boolean;
  /** Gives focus to an element, or with null to nothing. */
  focus(element: LiveElement | null): void;
  /** Tells what is held down. */
  hold(element: LiveElement | null): void;
}

/** The events of a press, in the order in which they come. Pointer Events 3, §11; UI Events, "mouse event order". */
const pressing = ["pointerdown", "mousedown", "pointerup", "mouseup", "click"] as const;

/** Presses on an element as a mouse does; twice where a second press is waited for. */
export function pointAt(host: PointerHost, aim: LiveElement): void {
  const element = hit(host, aim);
  if (element === null) return;
  const times = host.isPressedTwice(element) ? [1, 2] : [1];
  for (const detail of times)
    for (const type of pressing) {
      // Nothing but the pointer itself is told to a disabled control. HTML §4.10.18.5.
      if (!type.startsWith("pointer") && disabledAround(element) !== null) continue;
      if (type === "mousedown") host.hold(element);
      const goesOn =
        type === "click" ? clickThrough(host, element, detail) : send(host, element, type, detail);
      if (type === "mousedown" && goesOn) host.focus(focusableAround(host, element));
      if (type === "mouseup") host.hold(null);
    }
  if (times.length > 1 && disabledAround(element) === null) send(host, element, "dblclick", 2);
}

/** Moves a pointer over an element. */
export function moveOver(host: PointerHost, element: LiveElement): void {
  for (const type of ["pointerover", "pointerenter", "mouseover", "mouseenter", "mousemove"])
    send(host, element, type, 0);
}

/** A click alone, without a pointer: assistive technology presses so. */
export const clickAlone = (host: PointerHost, element: LiveElement): void =>
  void (disabledAround(element) === null && send(host, element, "click", 0));

/** Sends an event of a pointer; false where it was prevented. Only a click is a pointer event that counts presses. */
function send({ window }: PointerHost, element: LiveElement, type: string, detail: number): boolean {
  const isPointer = type.startsWith("pointer");
  const Kind = (isPointer || type === "click" ? window.PointerEvent : undefined) ?? window.MouseEvent;
  const doesBubble = !type.endsWith("enter");
  const event = new Kind(type, {
    bubbles: doesBubble,
    cancelable: doesBubble,
    composed: true,
    detail: isPointer ? 0 : detail,
    view: window,
    pointerId: 1,
    pointerType: detail === 0 && type === "click" ? "" : "mouse",
    isPrimary: isPointer,
  });
  return element.dispatchEvent(trusted(event));
}

/** What a pointer meets where an element is: what takes no part, or lets it through, is passed by for what is around it. */
function hit({ isInert, styleValue }: PointerHost, aim: LiveElement): LiveElement | null {
  let element = aim;
  while (element !== null && (isInert(element) || styleValue(element, "pointer-events") === "none"))
    element = element.parentElement;
  return element;
}

/** The disabled control that an element is, or is in. HTML §4.10.18.5. */
export const disabledAround = (element: LiveElement): LiveElement | null =>
  element.closest("button:disabled, input:disabled, select:disabled, textarea:disabled");

function focusableAround(host: PointerHost, element: LiveElement): LiveElement | null {
  for (let up = element; up !== null; up = up.parentElement) if (host.canTakeFocus(up)) return up;
  return null;
}

/** A click; one on a label leads to its control, which has focus before it is clicked itself. HTML §4.10.4. */
function clickThrough(host: PointerHost, element: LiveElement, detail: number): boolean {
  const control = element.closest("label")?.control ?? null;
  const focusFirst = (event: LiveElement) => {
    if (event.target === control && host.canTakeFocus(control)) host.focus(control);
  };
  const isOnControl = element.closest("a[href], button, input, select, textarea") !== null;
  if (control === null || isOnControl) return send(host, element, "click", detail);
  host.window.addEventListener("click", focusFirst, { capture: true });
  const goesOn = send(host, element, "click", detail);
  host.window.removeEventListener("click", focusFirst, { capture: true });
  return goesOn;
}
