import type { LiveElement } from "../engine/live-element.ts";
import type { AnyWindow } from "./clock.ts";
import type { PseudoClasses } from "./pseudo-classes.ts";
import type { TopLayer } from "./shims.ts";

/** What people did last to the elements of a window. */
export class Doings {
  /** Whether a pointer was used last, and not a key. */
  isPointed = false;
  hovered: LiveElement | null = null;
  /** What a pointer is held down on. */
  held: LiveElement | null = null;
  /** Fields that people changed, or tried to send. Selectors 4, `:user-invalid`. */
  readonly #used = new Set<LiveElement>();
  readonly #focused: () => LiveElement | null;

  constructor(focused: () => LiveElement | null) {
    this.#focused = focused;
  }

  watch(window: AnyWindow): void {
    const note = ({ target }: LiveElement) => void this.#used.add(target);
    for (const type of ["change", "invalid"]) window.addEventListener(type, note, { capture: true });
  }

  /** Whether focus is to be seen is left to browsers (Selectors 4, §9.4): this is how Chromium does it. */
  pseudoClasses({ document, location }: AnyWindow, top: TopLayer): PseudoClasses {
    const used = (isValid: boolean) => [...this.#used].filter((field) => field.validity?.valid === isValid);
    const some = (element: LiveElement | null) => (element === null ? [] : [element]);
    return {
      "focus-visible": () => some(this.#focused()).filter((one) => !this.isPointed || takesText(one)),
      hover: () => withAround(this.hovered),
      active: () => withAround(this.held),
      target: () => some(fragmentTarget(document, location.hash)),
      modal: () => top.modals,
      "popover-open": () => top.popovers,
      "user-invalid": () => used(false),
      "user-valid": () => used(true),
    };
  }
}

function withAround(element: LiveElement | null): readonly LiveElement[] {
  const all: LiveElement[] = [];
  for (let up = element; up !== null; up = up.parentElement) all.push(up);
  return all;
}

/** Fields in which one types: focus shows in them however it came. */
const takesText = (element: LiveElement): boolean =>
  element.isContentEditable === true ||
  element.localName === "textarea" ||
  (element.localName === "input" &&
    !/^(?:button|checkbox|color|file|image|radio|range|reset|submit)$/.test(element.type));

/** The element that the fragment of an address names. HTML §7.4.6.4, "find a potential indicated element". */
export function fragmentTarget(document: LiveElement, fragment: string): LiveElement | null {
  return fragment.length < 2 ? null : document.getElementById(decoded(fragment.slice(1)));
}

function decoded(fragment: string): string {
  try {
    return decodeURIComponent(fragment);
  } catch {
    return fragment;
  }
}
