import type { AnyWindow, LiveElement } from "./clock.ts";
import { delegatedEvents, isOfFramework } from "./mount/origins.ts";

/** Handlers that scripts give an element as a property. */
const handled = [
  ...["click", "dblclick", "mousedown", "mouseup", "mouseenter", "mouseover", "mouseleave", "mouseout"],
  ...["pointerdown", "pointerup", "pointerenter", "pointerleave", "touchstart", "touchend"],
  ...["keydown", "keyup", "keypress", "focus", "blur", "change", "input", "submit", "reset"],
  ...["dragstart", "dragover", "dragend", "drop"],
];

/** Events that people bring about. */
const byPeople = /^(?:click|dblclick|mouse|pointer|touch|key|focus|blur|input|change|submit|reset|drag|drop)/;

/** What scripts listen for in one window, from when it is watched. */
export class Listeners {
  /** How many of each kind, by what they stand on. */
  readonly #counts = new Map<LiveElement, Map<string, number>>();

  watch(window: AnyWindow): void {
    const proto = window.EventTarget.prototype;
    const counts = this.#counts;
    for (const [name, by] of [
      ["addEventListener", 1],
      ["removeEventListener", -1],
    ] as const) {
      const native = proto[name];
      proto[name] = function (this: LiveElement, type: string, ...rest: unknown[]) {
        if (rest[0] != null && !isOfFramework(rest[0])) {
          const kinds = counts.get(this) ?? new Map<string, number>();
          counts.set(this, kinds.set(type, (kinds.get(type) ?? 0) + by));
        }
        return native.call(this, type, ...rest);
      };
    }
  }

  /** Events that a script, a framework or an attribute listens for on an element. */
  on(element: LiveElement): ReadonlySet<string> {
    const found = new Set<string>(delegatedEvents(element));
    for (const [type, n] of this.#counts.get(element) ?? []) if (n > 0) found.add(type);
    for (const { name } of element.attributes ?? []) if (/^on/.test(name)) found.add(name.slice(2));
    for (const type of handled) if (typeof element[`on${type}`] === "function") found.add(type);
    return found;
  }

  /** Whether anything in a window but itself listens for what people do. */
  isAny(window: AnyWindow): boolean {
    for (const [target, types] of this.#counts)
      if (target !== window && [...types].some(([type, n]) => n > 0 && byPeople.test(type))) return true;
    return [...window.document.querySelectorAll("*")].some((element) => this.on(element).size > 0);
  }
}
