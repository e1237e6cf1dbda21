import type { ElementNode } from "../../document/node.ts";
import { cantTell, failed, passed, pointingAt, type Verdict } from "../../findings/verdict.ts";
import { type FocusDocument, formOwner, type Stop, tabSequence } from "../../focus/tab-sequence.ts";
import { jumpsIn } from "../../focus/walk-notes.ts";
import { tabindexOf } from "../../rendering/focusable.ts";
import { removeAttribute } from "../../repair/change.ts";
import { withChanges } from "../../repair/repair.ts";
import { keptForScene } from "../../scene/kept.ts";
import type { Scene } from "../../scene/scene.ts";
import type { PageCheck } from "../check.ts";
import { sureStops } from "../exposed.ts";

const isPositive = (element: ElementNode): boolean => (tabindexOf(element) ?? 0) > 0;

const positiveStops = keptForScene((scene): readonly ElementNode[] => sureStops(scene).filter(isPositive));

interface TabOrder {
  /** Place in the order of Tab. */
  readonly places: ReadonlyMap<ElementNode, number>;
  /** How many stops that stand before each in the page come after it. */
  readonly ahead: ReadonlyMap<ElementNode, number>;
  /** The stops as they stand in the page, each with its place there and its form. */
  readonly inPage: readonly ElementNode[];
  readonly placesInPage: ReadonlyMap<ElementNode, number>;
  readonly forms: ReadonlyMap<ElementNode, ElementNode | null>;
}

const tabOrderOf = keptForScene((scene): TabOrder => {
  const { index } = scene.page;
  const stops = stopsOfPage(scene);
  const jumps = jumpsIn(stops);
  const inPage = stops
    .map(({ element }) => element)
    .sort((a, b) => index.record(a).order - index.record(b).order);
  return {
    places: new Map(stops.map(({ element }, index) => [element, index])),
    ahead: new Map(stops.map(({ element }, index) => [element, jumps[index]?.ahead ?? 0])),
    inPage,
    placesInPage: new Map(inPage.map((element, index) => [element, index])),
    forms: new Map(inPage.map((element) => [element, formOwner(scene, element)])),
  };
});

/** The stops in the order of Tab; what is in a frame is one stop, at the frame. */
function stopsOfPage(scene: Scene): readonly Stop[] {
  const frames = new Map<FocusDocument, ElementNode>();
  const place = (inner: Scene, frame: ElementNode): void => {
    frames.set(inner, frame);
    for (const deeper of inner.page.index.byTag("iframe")) {
      const shown = inner.frame(deeper);
      if (shown !== null) place(shown, frame);
    }
  };
  for (const frame of scene.page.index.byTag("iframe")) {
    const shown = scene.frame(frame);
    if (shown !== null) place(shown, frame);
  }
  const met = new Set<ElementNode>();
  return tabSequence(scene).flatMap((stop) => {
    const frame = frames.get(stop.document);
    if (frame === undefined) return stop.document === scene ? [stop] : [];
    if (met.has(frame)) return [];
    met.add(frame);
    return [{ ...stop, element: frame, document: scene, tabindex: tabindexOf(frame) }];
  });
}

/** How far back in the page fields of the same form are looked for. */
const NEAR = 60;

/** Fields of the same form that stand shortly before a stop in the page and come after it in the order of Tab. */
function fieldsPassedOver(scene: Scene, stop: ElementNode): readonly ElementNode[] {
  const { places, inPage, placesInPage, forms } = tabOrderOf(scene);
  const form = forms.get(stop) ?? null;
  const position = placesInPage.get(stop) ?? 0;
  if (form === null) return [];
  return inPage
    .slice(Math.max(0, position - NEAR), position)
    .filter(
      (other) =>
        forms.get(other) === form &&
        (places.get(other) ?? 0) > (places.get(stop) ?? 0) &&
        !isButton(scene, other),
    );
}

function judge(stop: ElementNode, scene: Scene): Verdict {
  const passedOver = tabOrderOf(scene).ahead.get(stop) ?? 0;
  if (passedOver === 0) return passed;
  const details = {
    facts: { tabindex: tabindexOf(stop) },
    ...pointingAt(stop, "tabindex"),
  };
  const repair = withChanges(
    "likely",
    "Take tabindex away, and put things in the source in the order they are used.",
    [removeAttribute(stop, "tabindex")],
  );
  const ofForm = fieldsPassedOver(scene, stop);
  const [before] = ofForm;
  if (before !== undefined && isButton(scene, stop))
    return failed(
      `Tab comes to "${scene.name(stop).text}" before ${ofForm.length === 1 ? `the field "${scene.name(before).text}"` : `the ${ofForm.length} fields`} of its form that stand${ofForm.length === 1 ? "s" : ""} before it.`,
      repair,
      details,
    );
  if (before !== undefined)
    return failed(
      `Tab comes here before "${scene.name(before).text}", which stands before it in the same form.`,
      repair,
      details,
    );
  return cantTell(
    `Tab comes here before ${passedOver === 1 ? "a stop that stands" : `${passedOver} stops that stand`} before it. Does that order make sense?`,
    repair,
    details,
  );
}

const isButton = (scene: Scene, element: ElementNode): boolean => scene.role(element).role === "button";

export const orderMakesSense = {
  id: "keys.order-makes-sense",
  kind: "page",
  isAboutKeys: true,
  criteria: ["2.4.3"],
  severity: "barrier",
  means: "Tab goes through the page in the order in which it is read and used.",
  who: "Someone who uses the keyboard or a screen reader is thrown about the page, and meets the button before the fields it sends.",
  mend: "Leave positive tabindex out; the order of the source is the order of Tab.",
  looksAt: positiveStops,
  judge,
  examples: [
    {
      html: `<form><input aria-label="Boat" tabindex="1"><button tabindex="2">Book</button></form>`,
      finds: [],
    },
    { html: `<form><input aria-label="Boat"><button tabindex="0">Book</button></form>`, finds: [] },
    {
      html: `<form><input aria-label="Boat"><button tabindex="1">Book</button></form>`,
      finds: [
        [
          "failed",
          `<button tabindex="1">`,
          `Tab comes to "Book" before the field "Boat" of its form that stands before it.`,
        ],
      ],
    },
    {
      html: `<form><input aria-label="Boat" tabindex="2"><input aria-label="Berth" tabindex="1"></form>`,
      finds: [
        [
          "failed",
          `<input aria-label="Berth" tabindex="1">`,
          `Tab comes here before "Boat", which stands before it in the same form.`,
        ],
      ],
    },
    {
      html: `<a href="x">Home</a><form><input aria-label="Boat" tabindex="1"></form>`,
      finds: [
        [
          "cantTell",
          `<input aria-label="Boat" tabindex="1">`,
          "Tab comes here before a stop that stands before it. Does that order make sense?",
        ],
      ],
    },
  ],
} as const satisfies PageCheck;
