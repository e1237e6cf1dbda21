import type { LiveElement } from "../engine/live-element.ts";
import { trusted } from "./browser-task.ts";
import type { AnyWindow } from "./clock.ts";
import { define } from "./define.ts";

/** A computed value; empty where it is not known. */
type StyleOf = (element: LiveElement, property: string) => string;

/**
 * Brings animations to their end: where nothing is drawn none runs, and those who wait for its end would wait for ever.
 * What never ends does not end here either. CSS Animations 1, §4.
 */
export class Animations {
  /** The animations that each element had when it was looked at last. */
  readonly #known = new WeakMap<LiveElement, string>();
  readonly #changed = new Set<LiveElement>();
  #observer: { takeRecords(): readonly LiveElement[] } | null = null;

  watch(window: AnyWindow): void {
    installEvent(window);
    const observer = new window.MutationObserver((records: readonly LiveElement[]) => this.#note(records));
    observer.observe(window.document, { attributes: true, childList: true, subtree: true });
    this.#observer = observer;
  }

  #note(records: readonly LiveElement[]): void {
    for (const { type, target, addedNodes } of records)
      if (type === "attributes") this.#changed.add(target);
      else
        for (const node of addedNodes)
          if (node.localName !== undefined)
            for (const element of [node, ...node.querySelectorAll("*")]) this.#changed.add(element);
  }

  /** Tells the end of every animation that began since this was asked last; whether any had begun. */
  end(window: AnyWindow, styleOf: StyleOf): boolean {
    this.#note(this.#observer?.takeRecords() ?? []);
    const changed = [...this.#changed].filter(({ isConnected }) => isConnected);
    this.#changed.clear();
    let isAny = false;
    for (const element of changed) {
      const now = styleOf(element, "animation-name");
      const before = this.#known.get(element) ?? "";
      this.#known.set(element, now);
      for (const animationName of endingNames(element, now, before, styleOf)) {
        isAny = true;
        for (const type of ["animationstart", "animationend"])
          element.dispatchEvent(trusted(new window.AnimationEvent(type, { bubbles: true, animationName })));
      }
    }
    return isAny;
  }
}

const isNone = (value: string): boolean => value === "" || value === "none";

/** The animations that are new on an element, and end some time. */
function endingNames(element: LiveElement, now: string, before: string, styleOf: StyleOf): readonly string[] {
  if (isNone(now) || now === before) return [];
  const counts = styleOf(element, "animation-iteration-count").split(",");
  return now
    .split(",")
    .map((name) => name.trim())
    .filter((name, at) => !isNone(name) && counts[at % counts.length]?.trim() !== "infinite");
}

/** Scripts look whether a window has it before they listen. */
function installEvent(window: AnyWindow): void {
  define(
    window,
    "AnimationEvent",
    class extends window.Event {
      readonly animationName: string;
      readonly elapsedTime: number = 0;
      readonly pseudoElement: string = "";
      constructor(type: string, { animationName = "", ...init }: { readonly animationName?: string } = {}) {
        super(type, init);
        this.animationName = animationName;
      }
    },
  );
}
