import type { ElementNode } from "../../document/node.ts";
import { cantTell, failed, passed, type Verdict } from "../../findings/verdict.ts";
import { tabindexOf } from "../../rendering/focusable.ts";
import { removeAttribute } from "../../repair/attribute-edits.ts";
import { withEdits } from "../../repair/edit.ts";
import { keptForScene } from "../../scene/kept.ts";
import type { Scene } from "../../scene/scene.ts";
import type { Check } from "../check.ts";
import { elementsAround, sureStops } from "../exposed.ts";

const isPositive = (element: ElementNode): boolean => (tabindexOf(element) ?? 0) > 0;

const positiveStops = keptForScene((scene): readonly ElementNode[] => sureStops(scene).filter(isPositive));

interface TabOrder {
  /** Place among the stops, by the order of the page and by that of Tab. */
  readonly placeInPage: ReadonlyMap<ElementNode, number>;
  readonly placeInOrder: ReadonlyMap<ElementNode, number>;
  readonly agree: boolean;
}

/** Positive tabindexes first, by number; then the rest as they stand. HTML §6.6.3. */
const tabOrderOf = keptForScene((scene): TabOrder => {
  const stops = sureStops(scene);
  const rank = (element: ElementNode) => (isPositive(element) ? (tabindexOf(element) ?? 0) : Infinity);
  const placeInPage = new Map(stops.map((stop, at) => [stop, at]));
  const order = stops.toSorted((a, b) => {
    const [first, second] = [rank(a), rank(b)];
    return first === second ? 0 : first < second ? -1 : 1;
  });
  return {
    placeInPage,
    placeInOrder: new Map(order.map((stop, at) => [stop, at])),
    agree: order.every((stop, at) => stop === stops[at]),
  };
});

/** The stops that stand before this one in the page and come after it in the order of Tab. */
function jumpedOver(scene: Scene, stop: ElementNode): readonly ElementNode[] {
  const { placeInPage, placeInOrder } = tabOrderOf(scene);
  const own = placeInOrder.get(stop) ?? 0;
  return sureStops(scene)
    .slice(0, placeInPage.get(stop) ?? 0)
    .filter((other) => (placeInOrder.get(other) ?? 0) > own);
}

function judge(stop: ElementNode, scene: Scene): Verdict {
  if (tabOrderOf(scene).agree) return passed;
  const passedOver = jumpedOver(scene, stop);
  if (passedOver.length === 0) return passed;
  const source = stop.attributes.get("tabindex")?.source;
  const details = {
    facts: { tabindex: tabindexOf(stop) },
    ...(source == null ? {} : { source }),
  };
  const repair = withEdits(
    "likely",
    "Take tabindex away, and put things in the source in the order they are used.",
    [removeAttribute(stop, "tabindex")],
  );
  const form = [...elementsAround(scene, stop)].find((up) => up.tag === "form");
  const ofForm =
    form === undefined
      ? []
      : passedOver.filter(
          (other) => [...elementsAround(scene, other)].includes(form) && !isButton(scene, other),
        );
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
    `Tab comes here before ${passedOver.length === 1 ? "a stop that stands" : `${passedOver.length} stops that stand`} before it. Does that order make sense?`,
    repair,
    details,
  );
}

const isButton = (scene: Scene, element: ElementNode): boolean => scene.role(element).role === "button";

export const orderMakesSense = {
  id: "keys.order-makes-sense",
  criteria: ["2.4.3"],
  severity: "barrier",
  means: "Tab goes through the page in the order in which it is read and used.",
  who: "Someone who uses the keyboard or a screen reader is thrown about the page, and meets the button before the fields it sends.",
  mend: "Leave positive tabindex out; the order of the source is the order of Tab.",
  looksAt: positiveStops,
  judge,
  examples: {
    kept: [
      `<form><input aria-label="Boat" tabindex="1"><button tabindex="2">Book</button></form>`,
      `<form><input aria-label="Boat"><button tabindex="0">Book</button></form>`,
    ],
    broken: [
      `<form><input aria-label="Boat"><button tabindex="1">Book</button></form>`,
      `<form><input aria-label="Boat" tabindex="2"><input aria-label="Berth" tabindex="1"></form>`,
    ],
    asked: [`<a href="x">Home</a><form><input aria-label="Boat" tabindex="1"></form>`],
  },
} as const satisfies Check;
