import type { LiveElement } from "../engine/live-element.ts";
import type { AnyWindow } from "./clock.ts";

/** Pseudo-classes that say what was done to an element, and which elements they hold for now. */
export type PseudoClasses = Readonly<Record<string, () => Iterable<LiveElement>>>;

/** Selectors 4, §9 and §14: what a window without a screen and a pointer answers wrongly. */
const answeredHere =
  /:(focus-visible|hover|active|target|modal|popover-open|user-invalid|user-valid)(?![\w-])/g;

const NONE = ":not(*)";

/** Makes selectors in scripts see what was done to elements: `matches`, `closest` and the finding of elements. */
export function installPseudoClasses(window: AnyWindow, holdFor: PseudoClasses): void {
  const answered = (selector: unknown): unknown =>
    typeof selector === "string" && selector.includes(":")
      ? selector.replace(answeredHere, (_, name: string) => anyOf(holdFor[name]?.() ?? []))
      : selector;
  const { Element, Document, DocumentFragment } = window;
  for (const [proto, names] of [
    [Element.prototype, ["matches", "closest", "querySelector", "querySelectorAll"]],
    [Document.prototype, ["querySelector", "querySelectorAll"]],
    [DocumentFragment.prototype, ["querySelector", "querySelectorAll"]],
  ] as const)
    for (const name of names) {
      const native = proto[name];
      Object.defineProperty(proto, name, {
        value(this: LiveElement, ...selectors: unknown[]) {
          return native.apply(this, selectors.map(answered));
        },
        configurable: true,
        writable: true,
      });
    }
}

const anyOf = (elements: Iterable<LiveElement>): string => {
  const places = [...elements].map(placeOf);
  return places.length === 0 ? NONE : `:is(${places.join(", ")})`;
};

/** The one element that stands in this place of its tree. */
function placeOf(element: LiveElement): string {
  const steps: string[] = [];
  for (let at = element; at !== null; at = at.parentElement) {
    let place = 1;
    for (let before = at.previousElementSibling; before !== null; before = before.previousElementSibling)
      place++;
    steps.unshift(`:nth-child(${place})${at.parentElement === null ? ":not(* > *)" : ""}`);
  }
  return steps.join(" > ");
}
