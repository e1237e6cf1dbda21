import { elementsBelow } from "../document/around.ts";
import type { ElementNode } from "../document/node.ts";
import { pointerHandlerOf } from "../document/pointer-handler.ts";
import { attributeText } from "../document/written.ts";
import { focusCause } from "../rendering/focusable.ts";
import {
  addDeclarations,
  type Change,
  removeAttribute,
  renameElement,
  setAttribute,
} from "../repair/change.ts";
import type { Scene } from "../scene/scene.ts";

/** Elements that may become a button: boxes and words without a meaning of their own. */
const plain = new Set(["div", "span", "p", "a", "b", "i", "em", "strong"]);

/** What may stand in a button. HTML §4.10.6, "phrasing content, without interactive content". */
const phrasing = new Set(
  "abbr b bdi bdo br cite code data em i img kbd mark path circle rect line polyline polygon g use title desc q s samp small span strong sub sup svg time u var wbr".split(
    " ",
  ),
);

const keyEvents = ["keydown", "keyup", "keypress"];

/** How browsers dress a button, undone: so that it looks as the box did. HTML §15.5.2. */
const undressed: Readonly<Record<string, string>> = {
  padding: "0",
  border: "0",
  background: "none",
  font: "inherit",
  color: "inherit",
  "text-align": "inherit",
};

/** A longhand that stands for each: where the author sets it, the button has it from there. */
const longhandOf: Readonly<Record<string, readonly string[]>> = {
  padding: ["padding-top", "padding-left"],
  border: ["border-top-style", "border-bottom-style", "border-left-style", "border-top-width"],
  background: ["background-color", "background-image"],
  font: ["font-size", "font-family", "font-weight"],
  color: ["color"],
  "text-align": ["text-align"],
};

/**
 * The changes that make a button of an element that only a pointer can use: it takes focus, answers Enter and Space, and
 * looks as before. Null where a button could not hold what is in it, or its keys are answered already.
 */
export function asButton(scene: Scene, element: ElementNode): readonly Change[] | null {
  const { index } = scene.page;
  if (element.namespace !== "html" || !plain.has(element.tag) || element.attributes.has("href")) return null;
  if (element.spread !== null || element.listeners === "unknown") return null;
  for (const inside of elementsBelow(index, element))
    if (!phrasing.has(inside.tag) || focusCause(index, inside) !== null) return null;
  const keys = keyEvents.filter((event) => (element.listeners as ReadonlySet<string>).has(event));
  const click = pointerHandlerOf(element)?.code.replace(/;\s*$/, "").trim() ?? "";
  // A button answers Enter and Space itself; a handler that does anything else is not ours to drop.
  const isRepeated = (event: string) => {
    const code = attributeText(element, `on${event}`) ?? "";
    return click !== "" && code.includes(click) && /Enter|Space|["'`] ["'`]|\b(?:13|32)\b/.test(code);
  };
  if (!keys.every(isRepeated)) return null;
  const dropped = ["role", "tabindex", ...keys.map((event) => `on${event}`)];
  return [
    renameElement(element, "button"),
    ...dropped.filter((name) => element.attributes.has(name)).map((name) => removeAttribute(element, name)),
    setAttribute(element, "type", "button"),
    addDeclarations(element, () => look(scene, element)),
  ];
}

/** What keeps the look: of the browser's dress what the author does not set in any state. */
function look(scene: Scene, element: ElementNode): Readonly<Record<string, string>> {
  const { styles } = scene.page;
  const isSet = (property: string) =>
    (["none", "hover", "focus", "active"] as const).some((kind) => {
      const value =
        kind === "none"
          ? styles.value(element, property)
          : styles.value(element, property, { kind, element });
      return value?.own === true && value.block?.origin === "author";
    });
  const kept = Object.entries(undressed).filter(([property]) => !(longhandOf[property] ?? []).some(isSet));
  const fillsLine = element.tag === "div" || element.tag === "p";
  return {
    ...(fillsLine && !isSet("display") ? { display: "block" } : {}),
    ...(fillsLine && !isSet("width") && !isSet("display") ? { width: "100%" } : {}),
    ...Object.fromEntries(kept),
  };
}
